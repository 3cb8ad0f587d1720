'use client';

import { useEffect, useRef, type RefObject } from 'react';
import { usePlayer } from '../attempt/PlayerContext';
import { sheetOf } from './sheets/units';

/**
 * Whoever goes to a question arrives at its heading; so does whoever opens the test, unless they are somewhere on the page already.
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
    const opened = before.current === null;
    if (before.current === ref) return undefined;
    if (readRef.current === ref) {
      before.current = ref;
      return undefined;
    }
    // After the question is painted: focusing makes the browser lay out everything at once.
    const timer = setTimeout(() => {
      before.current = ref;
      const question = sheetOf(pageRef.current, ref);
      // Where there is room for one, a new passage stands before its question.
      const heading = (question ?? pageRef.current)?.querySelector('h2') ?? null;
      // On the page, or in the part of it that holds it all, is nowhere yet.
      if (opened && !document.activeElement?.contains(heading)) return;
      if (together && !opened) question?.scrollIntoView({ block: 'start' });
      heading?.focus({
        preventScroll: opened || together || layout !== 'narrow',
        // Nobody went there by keys yet: it is where the first key goes on from, and what is read out first.
        ...(opened && { focusVisible: false }),
      });
    }, 0);
    return () => clearTimeout(timer);
  }, [layout, pageRef, readRef, ref, together]);
}
