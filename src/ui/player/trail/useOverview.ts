'use client';

import { useMemo } from 'react';
import { overview, type QuestionOverview } from '@/core/attempt/overview';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';

/** How every question stands; worked out again only when a question's state changed. */
export function useOverview(): QuestionOverview[] {
  const { test, session } = usePlayer();
  const items = useAttempt((state) => state.items);
  return useMemo(() => {
    void items;
    return overview(test, session.getState());
  }, [test, session, items]);
}
