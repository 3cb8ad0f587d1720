'use client';

import { useCallback, useEffect, useState } from 'react';

/** Where the server shows a file of an attempt's test. */
export const assetAddress = (attemptId: string, path: string): string =>
  `/api/attempts/${attemptId}/assets/${path.split('/').map(encodeURIComponent).join('/')}`;

/**
 * Every picture of the test, fetched at the start and kept in memory: they show also with the network down. One that could
 * not be fetched keeps its address, so the browser tries again when it is shown.
 */
export function useAssets(attemptId: string, paths: readonly string[]): (path: string) => string {
  const [urls, setUrls] = useState<ReadonlyMap<string, string>>(new Map());
  const address = useCallback((path: string) => assetAddress(attemptId, path), [attemptId]);
  useEffect(() => {
    let gone = false;
    const made: string[] = [];
    void Promise.all(
      paths.map(async (path) => {
        try {
          const response = await fetch(address(path));
          if (!response.ok) return null;
          const url = URL.createObjectURL(await response.blob());
          made.push(url);
          return [path, url] as const;
        } catch {
          return null;
        }
      }),
    ).then((found) => {
      if (!gone) setUrls(new Map(found.filter((one) => one !== null)));
    });
    return () => {
      gone = true;
      made.forEach((url) => URL.revokeObjectURL(url));
    };
  }, [address, paths]);
  return useCallback((path: string) => urls.get(path) ?? address(path), [address, urls]);
}
