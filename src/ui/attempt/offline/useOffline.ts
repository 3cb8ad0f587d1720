'use client';

import { useEffect, useRef, useState } from 'react';
import { forgetFiles, keepFiles, rememberLoaded, startWorker } from './files';

/** Time before what could not be kept (no network, no room) is tried again; twice as long each time, up to the longest. */
const FIRST_MS = 2_000;
const LONGEST_MS = 60_000;

/**
 * Makes an attempt's page one that can be loaded again without network.
 * @param pictures addresses of the files of its test
 * @param ready whether the code that later questions need is here
 * @param over whether the attempt is over: then nothing of it stays
 * @returns whether it can
 */
export function useOffline(
  attemptId: string,
  pictures: readonly string[],
  ready: boolean,
  over: boolean,
): boolean {
  const [kept, setKept] = useState(false);
  const ended = useRef(over);
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production') return;
    rememberLoaded();
    void startWorker().catch(() => undefined);
  }, []);
  useEffect(() => {
    ended.current = over;
    if (over || !ready || process.env.NODE_ENV !== 'production') return undefined;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const tryIt = async (wait: number): Promise<void> => {
      const all = await keepFiles(attemptId, pictures);
      // Over while it was being kept.
      if (ended.current) return forgetFiles(attemptId).catch(() => undefined);
      if (gone) return undefined;
      setKept(all);
      if (!all) timer = setTimeout(() => void tryIt(Math.min(2 * wait, LONGEST_MS)), wait);
      return undefined;
    };
    void tryIt(FIRST_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [attemptId, over, pictures, ready]);
  return kept && !over;
}
