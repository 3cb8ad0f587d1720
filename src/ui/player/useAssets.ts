'use client';

import { useCallback, useEffect, useRef, useState } from 'react';

/** Where the server shows a file of an attempt's test. */
export const assetAddress = (attemptId: string, path: string): string =>
  `/api/attempts/${attemptId}/assets/${path.split('/').map(encodeURIComponent).join('/')}`;

/**
 * Every picture of what may be seen, fetched as soon as it may and kept in memory: they show also with the network down. One that could
 * not be fetched keeps its address, so the browser tries again when it is shown; one that is here stays, whatever comes later.
 */
export function useAssets(attemptId: string, paths: readonly string[]): (path: string) => string {
  const [urls, setUrls] = useState<ReadonlyMap<string, string>>(new Map());
  const here = useRef(new Map<string, string>());
  const address = useCallback((path: string) => assetAddress(attemptId, path), [attemptId]);
  useEffect(() => {
    let gone = false;
    const fetchOne = async (path: string): Promise<void> => {
      const response = await fetch(address(path));
      if (!response.ok) return;
      const blob = await response.blob();
      if (!gone && !here.current.has(path)) here.current.set(path, URL.createObjectURL(blob));
    };
    const missing = paths.filter((path) => !here.current.has(path));
    if (missing.length === 0) return undefined;
    void Promise.allSettled(missing.map(fetchOne)).then(() => {
      if (!gone) setUrls(new Map(here.current));
    });
    return () => {
      gone = true;
    };
  }, [address, paths]);
  useEffect(() => {
    const made = here.current;
    return () => {
      made.forEach((url) => URL.revokeObjectURL(url));
      made.clear();
    };
  }, [attemptId]);
  return useCallback((path: string) => urls.get(path) ?? address(path), [address, urls]);
}
