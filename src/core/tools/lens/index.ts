import { within, type Box, type Room } from '../../view/frame';

/** How many times the lens enlarges what lies under it. */
export const ENLARGES = [1.5, 2, 3, 4, 6, 8] as const;

/** How large the lens is, in rem. */
export const LENS_SIZES = [
  { width: 14, height: 8 },
  { width: 20, height: 11 },
  { width: 28, height: 15 },
  { width: 40, height: 20 },
] as const;

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A point held on the screen, CSS pixels. */
export const onScreen = ({ x, y }: Point, room: Pick<Room, 'width' | 'height'>): Point => ({
  x: within(x, 0, room.width),
  y: within(y, 0, room.height),
});

/**
 * Where the lens lies, and how the enlarged page is laid behind it. The lens is whole on the screen, always; the point that is looked
 * at stays where it is on the screen, so that a press goes where it is seen to go.
 * @param point the place on the screen that is looked at, CSS pixels
 * @returns `shift`: from the corner of the lens to that of the enlarged page, CSS pixels
 */
export function lensAt(
  point: Point,
  size: { readonly width: number; readonly height: number },
  times: number,
  room: Room,
): { readonly box: Box; readonly shift: Point } {
  const width = Math.min(room.width, size.width * room.rem);
  const height = Math.min(room.height, size.height * room.rem);
  const left = within(point.x - width / 2, 0, room.width - width);
  const top = within(point.y - height / 2, 0, room.height - height);
  return {
    box: { left, top, width, height },
    shift: { x: point.x * (1 - times) - left, y: point.y * (1 - times) - top },
  };
}
