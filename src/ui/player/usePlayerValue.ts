'use client';

import { useMemo, useState, useSyncExternalStore } from 'react';
import type { PlayerValue } from '../attempt/PlayerContext';
import type { AttemptSession } from '../attempt/session/session';
import { Speech } from '../kit/speech';
import { usePageLook } from '../kit/usePageLook';
import { pageLookOf } from './rail/tools';
import { useLayout } from './useLayout';

/** What the parts of a screen with questions share, and how the page looks; and what is to be said aloud on it. */
export function usePlayerValue(
  session: AttemptSession,
  assetUrl: (path: string) => string,
  { rehearsal = null, goesOnOffline = false }: Partial<Pick<PlayerValue, 'rehearsal' | 'goesOnOffline'>> = {},
): { readonly value: PlayerValue; readonly speech: Speech } {
  const test = useSyncExternalStore(session.subscribe, session.getTest, session.getTest);
  const read = session.getState;
  const tools = useSyncExternalStore(
    session.subscribe,
    () => read().tools,
    () => read().tools,
  );
  const { displayName: studentName, needs } = session.student;
  const look = useMemo(() => pageLookOf(tools, needs), [tools, needs]);
  usePageLook(look);
  const { layout, tight } = useLayout(look.magnification);
  const [speech] = useState(() => new Speech());
  const value = useMemo<PlayerValue>(
    () => ({
      session,
      test,
      studentName,
      needs,
      layout,
      tight,
      look,
      assetUrl,
      rehearsal,
      goesOnOffline,
      announce: speech.say,
      dispatch: (action) => session.dispatch(action),
      check: (ref, by) =>
        session.check(ref, by).then(
          () => true,
          () => false,
        ),
    }),
    [session, test, studentName, needs, layout, tight, look, assetUrl, rehearsal, goesOnOffline, speech],
  );
  return { value, speech };
}
