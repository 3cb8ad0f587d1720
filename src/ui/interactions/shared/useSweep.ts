'use client';

import { useRef, type MouseEvent, type PointerEvent } from 'react';
import { isSecondOfTwo } from '../../kit/secondOfTwo';

/** Pixels a hand may tremble before its press is a sweep. */
const SLACK = 6;

/**
 * Switching things on or off by press, or by sweeping over them: the first one decides whether the sweep switches on or off. A
 * finger that starts out upwards or downwards scrolls instead (`touch-action: pan-y` on what is swept), and changes nothing.
 * @param keyOf the thing an element stands for; null for others
 * @param begin what the sweep will do, told by its first thing
 */
export function useSweep(
  keyOf: (element: Element) => string | null,
  begin: (key: string) => boolean,
  apply: (key: string, on: boolean, first: string) => void,
  enabled: boolean,
) {
  const down = useRef<{ key: string; x: number; y: number } | null>(null);
  const sweep = useRef<{ on: boolean; first: string; last: string } | null>(null);
  const under = (event: PointerEvent): string | null => {
    const element = document.elementFromPoint(event.clientX, event.clientY);
    return element && event.currentTarget.contains(element) ? keyOf(element) : null;
  };
  return {
    onPointerDown: (event: PointerEvent) => {
      const key = under(event);
      sweep.current = null;
      down.current =
        enabled && key !== null && event.button === 0 ? { key, x: event.clientX, y: event.clientY } : null;
    },
    onPointerMove: (event: PointerEvent) => {
      const from = down.current;
      if (!from || event.buttons !== 1) return;
      if (!sweep.current) {
        const [dx, dy] = [Math.abs(event.clientX - from.x), Math.abs(event.clientY - from.y)];
        if (Math.hypot(dx, dy) < SLACK) return;
        if (event.pointerType === 'touch' && dy > dx) {
          down.current = null;
          return;
        }
        sweep.current = { on: begin(from.key), first: from.key, last: from.key };
        apply(from.key, sweep.current.on, from.key);
      }
      const going = sweep.current;
      const key = under(event);
      if (key === null || key === going.last) return;
      going.last = key;
      apply(key, going.on, going.first);
    },
    onPointerCancel: () => {
      down.current = null;
    },
    onClick: (event: MouseEvent) => {
      const swept = sweep.current !== null && event.detail > 0;
      down.current = null;
      sweep.current = null;
      const key = keyOf(event.target as Element);
      if (!enabled || swept || key === null || isSecondOfTwo(event)) return;
      apply(key, begin(key), key);
    },
  };
}
