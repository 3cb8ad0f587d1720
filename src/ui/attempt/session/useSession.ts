'use client';

import { useCallback, useEffect, useState } from 'react';
import { ServerClock } from './clock';
import { openJournal } from './journal';
import { openSession } from './openSession';
import type { AttemptSession } from './session';
import { httpTransport, ServerRefusal } from './transport';

interface Opened {
  readonly session: AttemptSession | null;
  /** The server's code, or `network`. */
  readonly problem: string | null;
  readonly again: () => void;
}

/** Opens an attempt in this page; what went wrong can be tried again. */
export function useSession(attemptId: string): Opened {
  const [session, setSession] = useState<AttemptSession | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let gone = false;
    let opened: AttemptSession | null = null;
    openSession(
      openJournal(attemptId),
      httpTransport(attemptId),
      (serverNow) => new ServerClock(serverNow, () => performance.now()),
    ).then(
      (session) => {
        opened = session;
        if (gone) session.close();
        else setSession(session);
      },
      (error: unknown) => {
        if (gone) return;
        if (error instanceof ServerRefusal && error.code === 'handed-in')
          window.location.assign(`/attempts/${attemptId}/score`);
        setProblem(error instanceof ServerRefusal ? error.code : 'network');
      },
    );
    return () => {
      gone = true;
      opened?.close();
    };
  }, [attemptId, tries]);
  const again = useCallback(() => {
    setProblem(null);
    setSession(null);
    setTries((count) => count + 1);
  }, []);
  return { session, problem, again };
}
