'use client';

import { useCallback, useEffect, useRef, type RefObject } from 'react';
import { itemOf } from '@/core/attempt/state';
import { usePlayer } from '../../attempt/PlayerContext';
import { questionUnits, type Unit } from './units';

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
            entry.isIntersecting && (entry.intersectionRatio >= 0.5 || entry.intersectionRect.height >= 40);
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
    return questionUnits(content).filter((unit) => !seen.has(unit.key));
  }, [contentRef, ref, session]);
}
