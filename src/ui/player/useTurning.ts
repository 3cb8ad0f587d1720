'use client';

import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { usePlayer } from '../attempt/PlayerContext';
import { useHandler } from '../kit/useHandler';
import { sheetOf } from './sheets/units';

export type Side = 'passage' | 'question';

/**
 * Turning between a passage and its question where there is room for one: a passage is shown first when it is new, the question when
 * the page was made larger in the middle of it, and each is found again where it was left.
 * @param passage what a passage is known by here, so that a new one is shown first
 * @param question what the place in the questions is kept under
 * @param current the question whose heading takes the focus
 */
export function useTurning(
  passage: string | null,
  question: string | null,
  current: string | null,
  pageRef: RefObject<HTMLElement | null>,
): { side: Side; turn: (to: Side) => void } {
  const places = useRef(new Map<string, number>());
  const { layout } = usePlayer();
  const [turned, setTurned] = useState({ passage, layout, side: 'passage' as Side });
  if (turned.passage !== passage) setTurned({ passage, layout, side: 'passage' });
  else if (turned.layout !== layout) setTurned({ passage, layout, side: 'question' });
  // Before the first paint: what would be in view for one frame, at the place the other side was left at, was not seen.
  const arriving = useRef<number | null>(null);
  useLayoutEffect(() => {
    if (arriving.current === null || !pageRef.current) return;
    pageRef.current.scrollTop = arriving.current;
    arriving.current = null;
  });
  const turn = useHandler((to: Side) => {
    const page = pageRef.current;
    const [left, shown] = to === 'passage' ? [question, passage] : [passage, question];
    if (!page) return;
    if (left !== null) places.current.set(left, page.scrollTop);
    const place = places.current.get(shown ?? '') ?? 0;
    arriving.current = place;
    setTurned({ passage, layout, side: to });
    setTimeout(() => {
      const sheet =
        to === 'question' && current !== null
          ? sheetOf(page, current)
          : page.querySelector<HTMLElement>(`[data-sheet=${to}]`);
      sheet?.querySelector('h2')?.focus({ preventScroll: true });
      page.scrollTop = place;
    });
  });
  return { side: turned.side, turn };
}
