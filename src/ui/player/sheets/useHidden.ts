'use client';

import { useEffect, useState, type RefObject } from 'react';
import { isBelow, type Unit, type UnitKind } from './units';

/** What lies below the edge of a sheet: how many of each kind, the first of them, and whether anything does at all. */
export interface Hidden {
  readonly any: boolean;
  /** Whether all of it never fits: the sign then has its place, whatever is hidden just now. */
  readonly long: boolean;
  readonly counts: Partial<Record<UnitKind, number>>;
  readonly parts: readonly string[];
}
const NOTHING: Hidden = { any: false, long: false, counts: {}, parts: [] };
/** A rest of less than this many pixels is only padding. */
const SLACK = 12;

/** Where the content really ends: its padding and the tools' layers hide nothing. */
function lowest(content: HTMLElement): number {
  const bottoms = [...content.children]
    .filter((child) => !child.matches('[data-no-text]'))
    .map((child) => child.getBoundingClientRect().bottom);
  return Math.max(-Infinity, ...bottoms);
}

function look(scroller: HTMLElement, content: HTMLElement, units: (root: HTMLElement) => Unit[]): Hidden {
  // Measured against all the room there is, the sign's own included: so that it never makes itself necessary.
  const room = scroller.parentElement?.clientHeight ?? scroller.clientHeight;
  const long = scroller.scrollHeight - Math.max(room, scroller.clientHeight) > SLACK;
  const rest = scroller.scrollHeight - scroller.clientHeight - scroller.scrollTop;
  if (!long || rest <= SLACK) return { ...NOTHING, long };
  const edge = scroller.getBoundingClientRect().top + scroller.clientHeight;
  const below = units(content).filter((unit) => isBelow(unit, edge));
  const counts: Partial<Record<UnitKind, number>> = {};
  for (const unit of below) counts[unit.kind] = (counts[unit.kind] ?? 0) + 1;
  const contentBelow = lowest(content) - edge > SLACK;
  return {
    any: contentBelow,
    long,
    counts,
    parts: below.filter((unit) => unit.kind === 'part').map((unit) => unit.label),
  };
}

const same = (a: Hidden, b: Hidden) => JSON.stringify(a) === JSON.stringify(b);

/** Watches what a sheet hides below its edge, through scrolling, resizing, magnifying and changing. */
export function useHidden(
  scrollerRef: RefObject<HTMLElement | null>,
  contentRef: RefObject<HTMLElement | null>,
  units: (root: HTMLElement) => Unit[],
  textId: string,
): Hidden {
  const [hidden, setHidden] = useState<Hidden>(NOTHING);
  useEffect(() => {
    const [scroller, content] = [scrollerRef.current, contentRef.current];
    if (!scroller || !content) return undefined;
    let frame = 0;
    const update = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => {
        const next = look(scroller, content, units);
        setHidden((before) => (same(before, next) ? before : next));
      });
    };
    update();
    scroller.addEventListener('scroll', update, { passive: true });
    const sizes = new ResizeObserver(update);
    sizes.observe(scroller);
    sizes.observe(content);
    return () => {
      cancelAnimationFrame(frame);
      scroller.removeEventListener('scroll', update);
      sizes.disconnect();
    };
  }, [scrollerRef, contentRef, units, textId]);
  return hidden;
}
