'use client';

import { useEffect, useState, type RefObject } from 'react';
import type { Stretch } from '@/core/annotate/units';
import { findAll } from '@/core/tools/reference';
import { rangesFor, textOf } from '../domText';

export interface Found {
  readonly places: readonly Stretch[];
  readonly at: number;
  readonly go: (by: 1 | -1) => void;
}

/** What the student types rests this long before it is sought. */
const REST_MS = 200;

/** Words sought in a sheet: all of them lit, the one looked at brought into view. `version` changes when the text does. */
export function useFound(rootRef: RefObject<HTMLElement | null>, sought: string, version: unknown): Found {
  const [found, setFound] = useState<{ readonly places: readonly Stretch[]; readonly at: number }>(NONE);
  useEffect(() => {
    const timer = setTimeout(() => {
      const root = rootRef.current;
      const places = root ? findAll(textOf(root), sought) : [];
      setFound(places.length === 0 ? NONE : { places, at: 0 });
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [rootRef, sought, version]);
  useEffect(() => {
    const root = rootRef.current;
    const here = found.places[found.at];
    if (!root || !here || typeof CSS === 'undefined' || !('highlights' in CSS)) return undefined;
    const all = found.places
      .filter((one) => one !== here)
      .flatMap(({ start, end }) => rangesFor(root, start, end));
    const now = rangesFor(root, here.start, here.end);
    CSS.highlights.set('able-found', new Highlight(...all));
    CSS.highlights.set('able-found-now', new Highlight(...now));
    now[0]?.startContainer.parentElement?.scrollIntoView({ block: 'center', inline: 'nearest' });
    return () => {
      CSS.highlights.delete('able-found');
      CSS.highlights.delete('able-found-now');
    };
  }, [found, rootRef]);
  const { places, at } = found;
  return {
    places,
    at,
    go: (by) => places.length > 0 && setFound({ places, at: (at + by + places.length) % places.length }),
  };
}
const NONE = { places: [], at: 0 };
