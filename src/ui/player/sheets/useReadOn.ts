'use client';

import { useEffect, type RefObject } from 'react';
import { sheetOf } from './units';

/** A scroll is over after so long without another, in milliseconds. */
const SETTLED_MS = 250;
/** Less of a question than this, in pixels, is not on the screen. */
const SLACK = 40;

interface Reading {
  readonly refs: readonly string[];
  readonly current: string;
  readonly scrollerRef: RefObject<HTMLElement | null>;
  readonly onRead: (ref: string) => void;
}

/**
 * Which of several questions on one page the student is at: where the focus or a press is, and when that one has been scrolled away,
 * the one in the upper third of what is seen.
 */
export function useReadOn({ refs, current, scrollerRef, onRead }: Reading): void {
  useEffect(() => {
    const scroller = scrollerRef.current;
    if (!scroller) return undefined;
    const boxOf = (ref: string) => sheetOf(scroller, ref)?.getBoundingClientRect();
    const worked = ({ target }: Event) => {
      const ref =
        target instanceof Element
          ? target.closest<HTMLElement>('[data-question]')?.dataset.question
          : undefined;
      if (ref !== undefined && ref !== current && refs.includes(ref)) onRead(ref);
    };
    let timer: ReturnType<typeof setTimeout> | undefined;
    const settled = () => {
      const { top, bottom } = scroller.getBoundingClientRect();
      const isSeen = (ref: string) => {
        const box = boxOf(ref);
        return box !== undefined && box.bottom > top + SLACK && box.top < bottom - SLACK;
      };
      if (isSeen(current)) return;
      const third = top + (bottom - top) / 3;
      const there = refs.find((ref) => (boxOf(ref)?.bottom ?? -Infinity) > third) ?? refs.at(-1);
      if (there !== undefined && there !== current) onRead(there);
    };
    const scrolled = () => {
      clearTimeout(timer);
      timer = setTimeout(settled, SETTLED_MS);
    };
    scroller.addEventListener('focusin', worked);
    scroller.addEventListener('pointerdown', worked);
    scroller.addEventListener('scroll', scrolled, { passive: true });
    return () => {
      clearTimeout(timer);
      scroller.removeEventListener('focusin', worked);
      scroller.removeEventListener('pointerdown', worked);
      scroller.removeEventListener('scroll', scrolled);
    };
  }, [current, onRead, refs, scrollerRef]);
}
