'use client';

import { useState, type RefObject } from 'react';
import { itemOf } from '@/core/attempt/state';
import { usePlayer } from '../attempt/PlayerContext';
import { ReminderDialog } from './dialogs/ReminderDialog';
import type { Unit } from './sheets/units';

/**
 * The one gentle stop: leaving with something never seen is asked about once per question.
 * @param toQuestion shows the question where its passage stands in its place
 */
export function useLeaving(unseenRef: RefObject<() => Unit[]>, reviewing: boolean, toQuestion: () => void) {
  const { session, dispatch } = usePlayer();
  const [asked, setAsked] = useState<{ unseen: Unit[]; go: () => void } | null>(null);
  const leave = (go: () => void) => {
    const { current } = session.getState();
    const unseen = reviewing || current === null ? [] : unseenRef.current();
    if (current === null || unseen.length === 0 || itemOf(session.getState(), current).reminded) {
      go();
      return;
    }
    dispatch({ type: 'reminded', item: current });
    setAsked({ unseen, go });
  };
  const reminder = (
    <ReminderDialog
      unseen={asked?.unseen ?? null}
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
