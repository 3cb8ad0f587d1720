'use client';

import { useEffect, useSyncExternalStore } from 'react';

/** Which tool has the pointer for itself now; null while a press does what it always does. */
let owner: string | null = null;
const listeners = new Set<() => void>();

function give(to: string | null): void {
  owner = to;
  for (const listener of listeners) listener();
}
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/**
 * The pointer rule: at most one tool takes presses for itself at a time, the screen says which (`PointerSign`), and Escape or the
 * tool's own button always gives it back. A tool that wants to draw or drag on the page asks here and nowhere else.
 */
export function usePointer(tool: string): {
  readonly mine: boolean;
  readonly take: () => void;
  readonly giveBack: () => void;
} {
  const mine = useSyncExternalStore(
    subscribe,
    () => owner === tool,
    () => false,
  );
  // A tool that is gone keeps nothing.
  useEffect(
    () => () => {
      if (owner === tool) give(null);
    },
    [tool],
  );
  return {
    mine,
    take: () => give(tool),
    giveBack: () => {
      if (owner === tool) give(null);
    },
  };
}

/** Which tool has the pointer, for the sign that says so. */
export const usePointerOwner = (): string | null =>
  useSyncExternalStore(
    subscribe,
    () => owner,
    () => null,
  );
export const givePointerBack = (): void => give(null);
