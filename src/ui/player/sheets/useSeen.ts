'use client';

import { useCallback, useEffect, useRef, type RefObject } from 'react';
import { itemOf } from '@/core/attempt/state';
import { usePlayer } from '../../attempt/PlayerContext';
import { questionUnits, type Unit } from './units';

/** Of what has so much of itself on the screen it is said that it was seen: this share of it, or a line, in pixels. */
const ENOUGH = { share: 0.5, height: 40 } as const;

/** Whether it stands on the screen now: the observer says so only with the next picture, and whoever is quick has pressed by then. */
function isOnScreen(element: Element, scroller: Element | null): boolean {
  const box = element.getBoundingClientRect();
  const frame = scroller?.getBoundingClientRect() ?? document.documentElement.getBoundingClientRect();
  const width = Math.min(box.right, frame.right, window.innerWidth) - Math.max(box.left, frame.left, 0);
  const height = Math.min(box.bottom, frame.bottom, window.innerHeight) - Math.max(box.top, frame.top, 0);
  if (width <= 0 || height <= 0) return false;
  return height >= ENOUGH.height || width * height >= ENOUGH.share * box.width * box.height;
}

/**
 * Notes which choices, parts and answer places of a question have been on screen. Returns a function that names those that
 * never were.
 */
export function useSeen(
  ref: string,
  scrollerRef: RefObject<HTMLElement | null>,
  contentRef: RefObject<HTMLElement | null>,
): () => Unit[] {
  const { session, dispatch } = usePlayer();
  const fresh = useRef(new Set<string>());

  const keep = useCallback(() => {
    const known = new Set(itemOf(session.getState(), ref).seen);
    const units = [...fresh.current].filter((key) => !known.has(key));
    fresh.current.clear();
    if (units.length > 0) dispatch({ type: 'seen', item: ref, units });
  }, [dispatch, ref, session]);

  useEffect(() => {
    const content = contentRef.current;
    if (!content) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const keys = new Map<Element, string>();
    const observer = new IntersectionObserver(
      (entries) => {
        for (const entry of entries) {
          const enough =
            entry.isIntersecting &&
            (entry.intersectionRatio >= ENOUGH.share || entry.intersectionRect.height >= ENOUGH.height);
          const key = keys.get(entry.target);
          if (enough && key !== undefined) {
            fresh.current.add(key);
            observer.unobserve(entry.target);
          }
        }
        clearTimeout(timer);
        timer = setTimeout(keep, 600);
      },
      { root: scrollerRef.current, threshold: [0, 0.25, 0.5, 0.75, 1] },
    );
    const watch = () => {
      for (const unit of questionUnits(content)) {
        if (keys.has(unit.element)) continue;
        keys.set(unit.element, unit.key);
        observer.observe(unit.element);
      }
    };
    watch();
    const late = new MutationObserver(watch);
    late.observe(content, { childList: true, subtree: true });
    return () => {
      clearTimeout(timer);
      observer.disconnect();
      late.disconnect();
      keep();
    };
  }, [contentRef, keep, scrollerRef]);

  return useCallback(() => {
    const content = contentRef.current;
    if (!content) return [];
    const seen = new Set([...itemOf(session.getState(), ref).seen, ...fresh.current]);
    return questionUnits(content).filter(
      ({ key, element }) => !seen.has(key) && !isOnScreen(element, scrollerRef.current),
    );
  }, [contentRef, ref, scrollerRef, session]);
}
