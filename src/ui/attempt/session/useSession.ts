'use client';

import { useCallback, useEffect, useState } from 'react';
import { ownPlace } from '../offline/ownPlace';
import { openPlaces } from '../offline/places';
import { ServerClock } from './clock';
import { openJournal } from './journal';
import { OpenElsewhere, openSession } from './openSession';
import type { AttemptSession } from './session';
import { httpTransport, ServerRefusal } from './transport';

interface Opened {
  readonly session: AttemptSession | null;
  /** The server's code, `network`, or `open-elsewhere`: without network, and another page of this computer has it. */
  readonly problem: string | null;
  readonly again: () => void;
}

const problemOf = (error: unknown): string =>
  error instanceof ServerRefusal ? error.code : error instanceof OpenElsewhere ? 'open-elsewhere' : 'network';

/** Opens an attempt in this page; what went wrong can be tried again. */
export function useSession(attemptId: string): Opened {
  const [session, setSession] = useState<AttemptSession | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let opened: AttemptSession | null = null;
    const gone = new AbortController();
    openSession(
      { journal: openJournal(attemptId), places: openPlaces(attemptId) },
      httpTransport(attemptId),
      (serverNow) => new ServerClock(serverNow, () => performance.now()),
      (device) => ownPlace(device, gone.signal),
    ).then(
      (session) => {
        opened = session;
        if (gone.signal.aborted) session.close();
        else setSession(session);
      },
      (error: unknown) => {
        if (gone.signal.aborted) return;
        const problem = problemOf(error);
        if (problem === 'handed-in') window.location.assign(`/attempts/${attemptId}/score`);
        setProblem(problem);
      },
    );
    return () => {
      gone.abort();
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
