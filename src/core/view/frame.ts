/** A floating window: its size in rem, so that it grows with the letters, and where it stands in the room that is left, from 0 to 1. */
export interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
/** CSS pixels. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
export interface Room {
  readonly width: number;
  readonly height: number;
  /** CSS pixels of a rem. */
  readonly rem: number;
}

/** The smallest a window is made, in rem: its title and two buttons stay whole. */
export const LEAST = { width: 13, height: 8 } as const;
export type Least = Pick<Frame, 'width' | 'height'>;

/** A value held between two others; the lower one where there is no room between. */
export const within = (value: number, least: number, most: number) =>
  Math.max(least, Math.min(Math.max(least, most), value));

/** Where a frame lies on the screen: whole, always; smaller than it asks for where there is no room. */
export function boxOf(frame: Frame, room: Room, least: Least = LEAST): Box {
  const width = Math.min(room.width, within(frame.width, least.width, Infinity) * room.rem);
  const height = Math.min(room.height, within(frame.height, least.height, Infinity) * room.rem);
  return {
    width,
    height,
    left: within(frame.x, 0, 1) * (room.width - width),
    top: within(frame.y, 0, 1) * (room.height - height),
  };
}

/** The frame of a window that lies so on the screen; the other way round. */
function frameOf(box: Box, room: Room): Frame {
  const share = (at: number, free: number) => (free > 0 ? within(at / free, 0, 1) : 0);
  return {
    width: box.width / room.rem,
    height: box.height / room.rem,
    x: share(box.left, room.width - box.width),
    y: share(box.top, room.height - box.height),
  };
}

/** A window moved by so many pixels; it stops at the edges. */
export function moved(frame: Frame, room: Room, dx: number, dy: number, least: Least = LEAST): Frame {
  const box = boxOf(frame, room, least);
  return frameOf({ ...box, left: box.left + dx, top: box.top + dy }, room);
}

/** A window made wider and higher by so many pixels, its upper left corner where it is; it stops at the edges. */
export function resized(frame: Frame, room: Room, dx: number, dy: number, least: Least = LEAST): Frame {
  const box = boxOf(frame, room, least);
  return frameOf(
    {
      ...box,
      width: within(box.width + dx, least.width * room.rem, room.width - box.left),
      height: within(box.height + dy, least.height * room.rem, room.height - box.top),
    },
    room,
  );
}
