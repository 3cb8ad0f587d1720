'use client';

import { useEffect, useRef, type PointerEvent } from 'react';

/**
 * Switching things on or off by sweeping over them: the first one decides whether the sweep switches on or off. Works with
 * a finger too, which the browser ties to the element it came down on.
 * @param keyOf the thing an element stands for; null for others
 * @param begin what the sweep will do, told by its first thing
 */
export function useSweep(
  keyOf: (element: Element) => string | null,
  begin: (key: string) => boolean,
  apply: (key: string, on: boolean, first: string) => void,
  enabled: boolean,
) {
  const sweep = useRef<{ on: boolean; first: string; last: string } | null>(null);
  useEffect(() => {
    const end = () => {
      sweep.current = null;
    };
    window.addEventListener('pointerup', end);
    window.addEventListener('pointercancel', end);
    return () => {
      window.removeEventListener('pointerup', end);
      window.removeEventListener('pointercancel', end);
    };
  }, []);
  const under = (event: PointerEvent): string | null => {
    const element = document.elementFromPoint(event.clientX, event.clientY);
    return element && event.currentTarget.contains(element) ? keyOf(element) : null;
  };
  return {
    onPointerDown: (event: PointerEvent) => {
      const key = under(event);
      if (!enabled || key === null || event.button !== 0) return;
      const on = begin(key);
      sweep.current = { on, first: key, last: key };
      apply(key, on, key);
    },
    onPointerMove: (event: PointerEvent) => {
      const going = sweep.current;
      if (!going || event.buttons !== 1) return;
      const key = under(event);
      if (key === null || key === going.last) return;
      going.last = key;
      apply(key, going.on, going.first);
    },
  };
}
