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
      // On the page or what holds it all is nowhere yet.
      if (opened && !document.activeElement?.contains(pageRef.current)) return;
      const question = sheetOf(pageRef.current, ref);
      if (together && !opened) question?.scrollIntoView({ block: 'start' });
      // Where there is room for one, a new passage stands before its question.
      (question ?? pageRef.current)
        ?.querySelector('h2')
        // Nobody went there by keys yet: it is where the first key goes on from, and what is read out first.
        ?.focus({
          preventScroll: opened || together || layout !== 'narrow',
          ...(opened && { focusVisible: false }),
        });
    }, 0);
    return () => clearTimeout(timer);
  }, [layout, pageRef, readRef, ref, together]);
}
