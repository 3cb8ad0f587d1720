'use client';

import { useEffect, useState } from 'react';
import { interactionsOf } from '@/core/content/content';
import type { DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import { standingOf } from '@/core/tools/allowed';
import { preloadFonts } from '../content/contentFonts';
import { preloadViews } from '../interactions';
import { TOOLS } from '../tools';
import { preloadDialogs } from './dialogs/Dialog';

/** Time the first question has to itself before the rest is fetched. */
const AFTER_THE_FIRST_MS = 500;

async function preload(test: DeliveredTest): Promise<void> {
  const bodies = [...Object.values(test.items), ...Object.values(test.stimuli)].map(({ body }) => body);
  await Promise.all([preloadDialogs(), preloadViews(bodies.flatMap((body) => interactionsOf(body)))]);
  await preloadFonts(bodies);
}

/** What the tools of this student need. One that cannot be fetched now says so when it is used. */
const preloadTools = (test: DeliveredTest, needs: AccessNeeds): Promise<unknown> =>
  Promise.allSettled(
    TOOLS.filter((tool) => standingOf(tool, test, null, needs) !== 'none').map(
      (tool) => tool.preload?.(test, needs) ?? Promise.resolve(),
    ),
  );

/** What is here that is needed later. */
export type Fetched = 'nothing' | 'questions' | 'everything';

/** Code and fonts that are needed later are fetched now, so that nothing waits for the network, or fails without it. */
export function usePreload(test: DeliveredTest, needs: AccessNeeds): Fetched {
  const [fetched, setFetched] = useState<Fetched>('nothing');
  useEffect(() => {
    // What is shown comes first; what later questions need follows as soon as it stands. A part that is entered brings more.
    const later = setTimeout(() => {
      preload(test).then(
        () => {
          setFetched('questions');
          return preloadTools(test, needs).then(() => setFetched('everything'));
        },
        () => undefined,
      );
    }, AFTER_THE_FIRST_MS);
    return () => clearTimeout(later);
  }, [needs, test]);
  return fetched;
}
