'use client';

import { useLayoutEffect, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { boxOf, LEAST, moved, resized, type Box, type Frame, type Least, type Room } from '@/core/view/frame';
import { arrowOf } from './arrows';
import { useDrag } from './useDrag';

/** A step of the arrow keys, in rem; with Shift a larger one. */
const STEP = { small: 1, large: 5 } as const;

/** What a frame is moved or resized with. */
export interface FrameHandle {
  readonly dragging: boolean;
  readonly handlers: ReturnType<typeof useDrag>['handlers'];
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/**
 * Something that floats over the page: moved and resized by hand and by arrow keys, whole on the screen. While it is dragged it is
 * only shown elsewhere; let go, it is placed.
 */
export function useFrame(
  kept: Frame,
  room: Room | null,
  place: (frame: Frame) => void,
  least: Least = LEAST,
): { readonly box: Box | undefined; readonly move: FrameHandle; readonly resize: FrameHandle } {
  const [going, setGoing] = useState<Frame | null>(null);
  const frame = going ?? kept;
  const by = (how: typeof moved) => ({
    drag: {
      enabled: true,
      begin: ({ clientX, clientY }: PointerEvent) => ({ frame, clientX, clientY }),
      move: (event: PointerEvent, from: { frame: Frame; clientX: number; clientY: number }) =>
        room &&
        setGoing(how(from.frame, room, event.clientX - from.clientX, event.clientY - from.clientY, least)),
      end: () => {
        if (going) place(going);
        setGoing(null);
      },
      cancel: () => setGoing(null),
    },
    onKeyDown: (event: KeyboardEvent) => {
      const step = room && arrowOf(event, STEP);
      if (step) place(how(frame, room, step[0] * room.rem, step[1] * room.rem, least));
    },
  });
  const [moving, sizing] = [by(moved), by(resized)];
  const move = useDrag(moving.drag);
  const resize = useDrag(sizing.drag);
  return {
    box: room ? boxOf(frame, room, least) : undefined,
    move: { ...move, onKeyDown: moving.onKeyDown },
    resize: { ...resize, onKeyDown: sizing.onKeyDown },
  };
}

/** The screen below something that floats, followed through resizing and magnifying. @param ref what grows with the letters */
export function useRoom(ref: RefObject<Element | null>): Room | null {
  const [room, setRoom] = useState<Room | null>(null);
  useLayoutEffect(() => {
    const measure = () =>
      setRoom({
        width: window.innerWidth,
        height: window.innerHeight,
        rem: parseFloat(getComputedStyle(document.documentElement).fontSize),
      });
    measure();
    window.addEventListener('resize', measure);
    // Magnifying changes the letters, and with them the size of what is in it.
    const sizes = new ResizeObserver(measure);
    if (ref.current) sizes.observe(ref.current);
    return () => {
      window.removeEventListener('resize', measure);
      sizes.disconnect();
    };
  }, [ref]);
  return room;
}
