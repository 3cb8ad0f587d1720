'use client';

import { useEffect, useRef, useState } from 'react';
import { isOver } from '@/core/attempt/timing';
import type { AttemptSession } from './session';

/** At zero the test closes by itself; without network it waits and tries again, and what was answered counts. */
export function useTimeUp(session: AttemptSession, onHandedIn: () => void): 'closing' | 'waiting' | null {
  const [state, setState] = useState<'closing' | 'waiting' | null>(null);
  const busy = useRef(false);
  useEffect(() => {
    const timer = setInterval(() => {
      if (busy.current) return;
      if (!isOver(session.getState().timing, session.clock.now())) {
        // The server's clock was heard again, and says that it is not.
        setState((before) => (before === 'waiting' ? null : before));
        return;
      }
      busy.current = true;
      setState((before) => before ?? 'closing');
      session
        .handIn('time')
        .then(onHandedIn)
        .catch(() => {
          busy.current = false;
          setState('waiting');
        });
    }, 1000);
    return () => clearInterval(timer);
  }, [session, onHandedIn]);
  return state;
}
