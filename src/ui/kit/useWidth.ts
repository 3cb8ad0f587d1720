'use client';

import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

export interface Measured {
  /** CSS pixels there are. */
  readonly width: number;
  /** How much larger letters are than at 100 %: what is drawn beside letters grows with them. */
  readonly scale: number;
}

/** The room an element has, kept up to date: what is drawn to scale is drawn for it. */
export function useWidth<T extends HTMLElement>(start: number): [RefObject<T | null>, Measured] {
  const ref = useRef<T>(null);
  const [measured, setMeasured] = useState<Measured>({ width: start, scale: 1 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const measure = () => {
      const width = element.clientWidth;
      const scale = parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1;
      if (width > 0)
        setMeasured((before) =>
          before.width === width && before.scale === scale ? before : { width, scale },
        );
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, measured];
}
