'use client';

import { useEffect } from 'react';
import { pageStore } from '../kit/pageStore';

/** Which tool has the pointer for itself now; null while a press does what it always does. */
const owner = pageStore<string | null>(null);

/**
 * The pointer rule: at most one tool takes presses for itself at a time, the screen says which (`PointerSign`), and Escape or the
 * tool's own button always gives it back. A tool that wants to draw or drag on the page asks here and nowhere else.
 */
export function usePointer(tool: string): {
  readonly mine: boolean;
  readonly take: () => void;
  readonly giveBack: () => void;
} {
  const mine = owner.use() === tool;
  // A tool that is gone keeps nothing.
  useEffect(() => () => giveBackOf(tool), [tool]);
  return { mine, take: () => owner.set(tool), giveBack: () => giveBackOf(tool) };
}
function giveBackOf(tool: string): void {
  if (owner.get() === tool) owner.set(null);
}

/** Which tool has the pointer, for the sign that says so. */
export const usePointerOwner = (): string | null => owner.use();
export const givePointerBack = (): void => owner.set(null);
