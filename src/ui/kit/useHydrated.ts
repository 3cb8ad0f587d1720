'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False in the page as the server sends it, true once it is alive: buttons that need code are disabled until then. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
}
