'use client';

import { useRef, useState, type RefObject } from 'react';
import { usePlayer } from '../attempt/PlayerContext';
import { useHandler } from '../kit/useHandler';

export type Side = 'passage' | 'question';

/**
 * Turning between a passage and its question where there is room for one: a passage is shown first when it is new, the question when
 * the page was made larger in the middle of it, and each is found again where it was left.
 */
export function useTurning(
  passage: string | null,
  question: string | null,
  pageRef: RefObject<HTMLElement | null>,
): { side: Side; turn: (to: Side) => void } {
  const places = useRef(new Map<string, number>());
  const { layout } = usePlayer();
  const [turned, setTurned] = useState({ passage, layout, side: 'passage' as Side });
  if (turned.passage !== passage) setTurned({ passage, layout, side: 'passage' });
  else if (turned.layout !== layout) setTurned({ passage, layout, side: 'question' });
  const turn = useHandler((to: Side) => {
    const page = pageRef.current;
    const [left, shown] = to === 'passage' ? [question, passage] : [passage, question];
    if (!page) return;
    if (left !== null) places.current.set(left, page.scrollTop);
    setTurned({ passage, layout, side: to });
    setTimeout(() => {
      page.querySelector<HTMLElement>(`[data-sheet=${to}] h2`)?.focus({ preventScroll: true });
      page.scrollTop = places.current.get(shown ?? '') ?? 0;
    });
  });
  return { side: turned.side, turn };
}
