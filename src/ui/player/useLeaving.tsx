'use client';

import { useState } from 'react';
import { itemOf } from '@/core/attempt/state';
import { usePlayer } from '../attempt/PlayerContext';
import { ReminderDialog } from './dialogs/ReminderDialog';
import type { Unit } from './sheets/units';

/**
 * The one gentle stop: leaving with something never seen is asked about once per question.
 * @param unseen names what of a question was never seen, for each that is drawn
 * @param shown the questions on the screen
 * @param toQuestion shows the question where its passage stands in its place
 */
export function useLeaving(
  unseen: ReadonlyMap<string, () => Unit[]>,
  shown: readonly string[],
  toQuestion: () => void,
) {
  const { session, dispatch } = usePlayer();
  const [asked, setAsked] = useState<{ unseen: Unit[]; go: () => void } | null>(null);
  const leave = (go: () => void) => {
    const left = shown
      .filter((ref) => !itemOf(session.getState(), ref).reminded)
      .map((ref) => ({ ref, units: unseen.get(ref)?.() ?? [] }))
      .filter(({ units }) => units.length > 0);
    if (left.length === 0) {
      go();
      return;
    }
    for (const { ref } of left) dispatch({ type: 'reminded', item: ref });
    setAsked({ unseen: left.flatMap(({ units }) => units), go });
  };
  const reminder = (
    <ReminderDialog
      unseen={asked?.unseen ?? null}
      page={shown.length > 1}
      onShow={() => {
        const first = asked?.unseen[0]?.element;
        setAsked(null);
        toQuestion();
        // After the question stands there again, and at the place it was left at.
        setTimeout(() => first?.scrollIntoView({ block: 'center' }));
      }}
      onGoOn={() => {
        setAsked(null);
        asked?.go();
      }}
    />
  );
  return { leave, reminder };
}
