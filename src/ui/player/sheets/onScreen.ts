'use client';

import { startTransition, useEffect, useState } from 'react';
import { neighbour } from '@/core/attempt/overview';
import { shownTogether, type DeliveredTest } from '@/core/item/delivered';
import { own } from '@/core/own';
import { usePlayer } from '../../attempt/PlayerContext';

/** What a passage's sheet is called among the sheets; a question's is called by its reference. */
export const PASSAGE = 'passage:';

export const NONE: readonly string[] = [];

/** The sheet of a question's passage; null where it has none. */
function passageOf(test: DeliveredTest, ref: string): string | null {
  const [stimulus] = own(test.items, ref)?.stimuli ?? [];
  return stimulus !== undefined && own(test.stimuli, stimulus) ? PASSAGE + stimulus : null;
}

/** The sheets on the screen with a question: its own, those shown together with it, and its passage's. */
export function sheetsFor(
  test: DeliveredTest,
  ref: string | null,
): { readonly questions: readonly string[]; readonly passage: string | null } {
  if (ref === null || !own(test.items, ref)) return { questions: NONE, passage: null };
  const questions = shownTogether(test, ref).filter((one) => own(test.items, one) !== undefined);
  // One without a passage leaves that of those before it where it is: the page keeps its shape while one reads on.
  const at = questions.indexOf(ref);
  const passages = [...questions.slice(0, at + 1).reverse(), ...questions.slice(at + 1)].map((one) =>
    passageOf(test, one),
  );
  return { questions, passage: passages.find((one) => one !== null) ?? null };
}

/** Time a question has to itself, to be painted and first looked at, before its neighbours are drawn. */
const LOOK_FIRST_MS = 120;

/** The sheets of a question and of those on either side, once it stands and all code is here. */
export function useNear(current: string | null, ready: boolean): readonly string[] {
  const { test } = usePlayer();
  const [near, setNear] = useState<readonly string[]>([]);
  useEffect(() => {
    if (current === null || !ready) return undefined;
    const refs = [current, neighbour(test, current, 1), neighbour(test, current, -1)];
    // A page of several is drawn when it is gone to.
    const sheets = refs.flatMap((ref) => {
      const { questions, passage } = sheetsFor(test, ref);
      return questions.length > 1 ? [] : [...questions, ...(passage === null ? [] : [passage])];
    });
    const later = setTimeout(() => startTransition(() => setNear(sheets)), LOOK_FIRST_MS);
    return () => clearTimeout(later);
  }, [current, ready, test]);
  return near;
}
