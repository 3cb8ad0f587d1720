'use client';

import { useEffect } from 'react';
import type { AttemptSession } from './session';

/** The page going away, the network coming back. */
export function useSessionEvents(session: AttemptSession): void {
  useEffect(() => {
    const leave = () => session.leave();
    const hidden = () => {
      if (document.visibilityState === 'hidden') session.leave();
    };
    window.addEventListener('pagehide', leave);
    window.addEventListener('online', session.wake);
    document.addEventListener('visibilitychange', hidden);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('online', session.wake);
      document.removeEventListener('visibilitychange', hidden);
    };
  }, [session]);
}
