import { onScreen, type Point } from '@/core/tools/lens';
import type { Room } from '@/core/view/frame';
import { pageStore } from '../../kit/pageStore';

/** The place on the screen that the lens looks at, CSS pixels; null until something was pointed at. */
export const lookedAt = pageStore<Point | null>(null);

export const roomNow = (): Room => ({
  width: window.innerWidth,
  height: window.innerHeight,
  rem: parseFloat(getComputedStyle(document.documentElement).fontSize),
});

/** Where the lens looks now: on the screen, whatever became of it; its middle, as long as nothing was pointed at. */
export function lookingAt(room: Room): Point {
  return onScreen(lookedAt.get() ?? { x: room.width / 2, y: room.height / 2 }, room);
}
