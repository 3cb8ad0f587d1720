import { own } from '@/core/own';

/** Which way an arrow key goes, to the right and down; nothing for another key. */
const ARROWS: Readonly<Record<string, readonly [1 | 0 | -1, 1 | 0 | -1]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * The way an arrow key goes, in steps; with Shift in larger ones. The key is used up: nothing scrolls. Null for another key, which is
 * left alone.
 */
export function arrowOf(
  event: { readonly key: string; readonly shiftKey: boolean; preventDefault(): void },
  { small, large }: { readonly small: number; readonly large: number },
): readonly [number, number] | null {
  const way = own(ARROWS, event.key);
  if (!way) return null;
  event.preventDefault();
  const by = event.shiftKey ? large : small;
  return [way[0] * by, way[1] * by];
}
