'use client';

import { useRef, useState, type PointerEvent } from 'react';

export interface Drag<Start, Element extends globalThis.Element = HTMLElement> {
  readonly enabled: boolean;
  /** A finger, pen or main button came down: what the drag starts from; null where nothing is to be dragged. */
  begin(event: PointerEvent<Element>): Start | null;
  /** It has moved farther than a hand trembles. */
  move(event: PointerEvent<Element>, start: Start): void;
  /** It was let go. `moved` false: a press, not a drag. */
  end?(event: PointerEvent<Element>, start: Start, moved: boolean): void;
  /** The browser took the pointer away (a scroll, a system gesture): everything is as before. */
  cancel?(start: Start): void;
  /** It goes along a line: a finger that starts out across it scrolls, and drags nothing. */
  readonly along?: 'x';
  /** CSS pixels within which it is still a press. */
  readonly slack?: number;
}

/**
 * Dragging by pointer: the one way in the product. The element keeps the pointer from the moment it comes down, so that a drag that
 * leaves it goes on; nothing moves before the hand clearly does.
 */
export function useDrag<Start, Element extends globalThis.Element = HTMLElement>(drag: Drag<Start, Element>) {
  const going = useRef<{ start: Start; x: number; y: number; moved: boolean } | null>(null);
  const [dragging, setDragging] = useState(false);
  const stop = () => {
    going.current = null;
    setDragging(false);
  };
  return {
    dragging,
    handlers: {
      onPointerDown: (event: PointerEvent<Element>) => {
        if (!drag.enabled || event.button !== 0) return;
        const start = drag.begin(event);
        if (start === null) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        going.current = { start, x: event.clientX, y: event.clientY, moved: false };
        setDragging(true);
      },
      onPointerMove: (event: PointerEvent<Element>) => {
        const now = going.current;
        if (!now) return;
        const [dx, dy] = [Math.abs(event.clientX - now.x), Math.abs(event.clientY - now.y)];
        if (!now.moved && Math.hypot(dx, dy) < (drag.slack ?? 0)) return;
        if (!now.moved && drag.along === 'x' && event.pointerType === 'touch' && dy > dx) return stop();
        now.moved = true;
        drag.move(event, now.start);
      },
      onPointerUp: (event: PointerEvent<Element>) => {
        const now = going.current;
        if (!now) return;
        stop();
        drag.end?.(event, now.start, now.moved);
      },
      onPointerCancel: () => {
        const now = going.current;
        stop();
        if (now) drag.cancel?.(now.start);
      },
    },
  };
}
