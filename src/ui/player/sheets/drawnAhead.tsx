'use client';

import { Activity, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import styles from './sheets.module.css';

interface Ahead {
  /** The element a sheet is drawn into, to be put into the page by `SheetPlace`. */
  readonly elementOf: (key: string) => HTMLElement;
  /** The sheets themselves; belongs after the places in the tree, so that they are in the page when their effects run. */
  readonly drawn: ReactNode;
}

/**
 * Draws sheets before they are needed, each into an element of its own outside the page: going to one is then a matter of
 * putting its element in place. A sheet outside the page does nothing (no effects, no listeners), and nobody can find it there.
 * @param keys the sheets to have ready
 * @param shown those in the page now
 */
export function useDrawnAhead(
  keys: readonly string[],
  shown: readonly string[],
  draw: (key: string) => ReactNode,
): Ahead {
  const [elements] = useState(() => new Map<string, HTMLElement>());
  const elementOf = (key: string): HTMLElement => {
    const element = elements.get(key) ?? document.createElement('div');
    element.className = styles.place ?? '';
    elements.set(key, element);
    return element;
  };
  useLayoutEffect(() => {
    for (const key of elements.keys()) if (!keys.includes(key)) elements.delete(key);
  });
  const drawn = keys.map((key) => (
    <Activity key={key} mode={shown.includes(key) ? 'visible' : 'hidden'}>
      {createPortal(draw(key), elementOf(key))}
    </Activity>
  ));
  return { elementOf, drawn };
}

/** Where a sheet that was drawn elsewhere stands in the page. */
export function SheetPlace({ element }: { element: HTMLElement }) {
  const ref = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    ref.current?.replaceChildren(element);
  }, [element]);
  return <div ref={ref} className={styles.place} />;
}
