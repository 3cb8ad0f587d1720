'use client';

import { useEffect, useRef, type RefObject } from 'react';
import { usePlayer } from '../attempt/PlayerContext';
import { sheetOf } from './sheets/units';

/**
 * Whoever goes to a question arrives at its heading.
 * @param ref the question gone to, once it stands there; null while none does
 * @param together whether it stands on one page with others
 * @param readRef the question that became the one on the screen by being read or worked on: nobody went there
 */
export function useArrival(
  ref: string | null,
  together: boolean,
  pageRef: RefObject<HTMLElement | null>,
  readRef: RefObject<string | null>,
): void {
  const { layout } = usePlayer();
  const before = useRef<string | null>(null);
  useEffect(() => {
    if (ref === null) return undefined;
    const another = before.current !== null && before.current !== ref;
    before.current = ref;
    if (!another || readRef.current === ref) return undefined;
    // After the question is painted: focusing makes the browser lay out everything at once.
    const timer = setTimeout(() => {
      const question = sheetOf(pageRef.current, ref);
      if (together) question?.scrollIntoView({ block: 'start' });
      question?.querySelector('h2')?.focus({ preventScroll: together || layout !== 'narrow' });
    }, 0);
    return () => clearTimeout(timer);
  }, [layout, pageRef, readRef, ref, together]);
}
