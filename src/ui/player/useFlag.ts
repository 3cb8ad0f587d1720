'use client';

import { useTranslations } from 'use-intl';
import { itemOf } from '@/core/attempt/state';
import { usePlayer } from '../attempt/PlayerContext';

/** Flags a question to come back to, or takes the flag away; said aloud either way. */
export function useFlag(): (itemRef: string) => void {
  const t = useTranslations('question.did');
  const { session, dispatch, announce } = usePlayer();
  return (itemRef) => {
    const on = !itemOf(session.getState(), itemRef).flagged;
    dispatch({ type: 'flagged', item: itemRef, on });
    // What may not be flagged any more is not, and nothing is said of it.
    if (itemOf(session.getState(), itemRef).flagged === on) announce(t(on ? 'flagged' : 'unflagged'));
  };
}
