'use client';

import { useEffect, useRef, useState } from 'react';
import { forgetFiles, keepFiles, rememberLoaded, startWorker } from './files';

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
    void keepFiles(attemptId, pictures).then((all) => {
      // Over while it was being kept.
      if (ended.current) void forgetFiles(attemptId).catch(() => undefined);
      else if (!gone) setKept(all);
    });
    return () => {
      gone = true;
    };
  }, [attemptId, over, pictures, ready]);
  return kept && !over;
}
