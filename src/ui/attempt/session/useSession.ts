'use client';

import { useCallback, useEffect, useState } from 'react';
import { ownPlace } from '../offline/ownPlace';
import { openPlaces } from '../offline/places';
import { ServerClock } from './clock';
import { openJournal } from './journal';
import { OpenElsewhere, openSession } from './openSession';
import type { AttemptSession } from './session';
import { httpTransport, ServerRefusal, type Content, type Resumed, type Transport } from './transport';

/** A test that was fetched before its clock started, and is open in this page. */
export interface OpenedAhead {
  readonly resumed: Resumed;
  readonly content: Content;
}

/** Opening asks the server for nothing of what is here already; later everything does. */
function transportWith(attemptId: string, ahead: OpenedAhead | null): Transport {
  const transport = httpTransport(attemptId);
  if (!ahead) return transport;
  let { resumed, content }: Partial<OpenedAhead> = ahead;
  return {
    ...transport,
    resume: () => {
      const first = resumed;
      resumed = undefined;
      return first ? Promise.resolve(first) : transport.resume();
    },
    content: () => {
      const first = content;
      content = undefined;
      return first ? Promise.resolve(first) : transport.content();
    },
  };
}

interface Opened {
  readonly session: AttemptSession | null;
  /** The server's code, `network`, or `open-elsewhere`: without network, and another page of this computer has it. */
  readonly problem: string | null;
  /** @param ahead what is here of it already */
  readonly again: (ahead?: OpenedAhead | null) => void;
}

const problemOf = (error: unknown): string =>
  error instanceof ServerRefusal ? error.code : error instanceof OpenElsewhere ? 'open-elsewhere' : 'network';

/** Opens an attempt in this page; what went wrong can be tried again. */
export function useSession(attemptId: string): Opened {
  const [session, setSession] = useState<AttemptSession | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [tries, setTries] = useState<{ readonly ahead: OpenedAhead | null }>({ ahead: null });
  useEffect(() => {
    let opened: AttemptSession | null = null;
    const gone = new AbortController();
    openSession(
      { journal: openJournal(attemptId), places: openPlaces(attemptId) },
      transportWith(attemptId, tries.ahead),
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
  const again = useCallback((ahead: OpenedAhead | null = null) => {
    setProblem(null);
    setSession(null);
    setTries({ ahead });
  }, []);
  return { session, problem, again };
}
