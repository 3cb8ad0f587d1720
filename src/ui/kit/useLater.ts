'use client';

import { useEffect, useState } from 'react';

const RETRY_MS = 3_000;

/**
 * Something that is loaded by itself when needed. A network that is down is tried again; meanwhile `failed` lets the screen
 * offer another way.
 */
export function useLater<T>(
  load: () => Promise<T>,
  wanted = true,
): { readonly value: T | null; readonly failed: boolean } {
  const [state, setState] = useState<{ value: T | null; failed: boolean }>({ value: null, failed: false });
  const [tries, setTries] = useState(0);
  const missing = wanted && state.value === null;
  useEffect(() => {
    if (!missing) return undefined;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    load().then(
      (value) => {
        if (!gone) setState({ value, failed: false });
      },
      () => {
        if (gone) return;
        setState({ value: null, failed: true });
        timer = setTimeout(() => setTries((count) => count + 1), RETRY_MS);
      },
    );
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [load, missing, tries]);
  return state;
}
