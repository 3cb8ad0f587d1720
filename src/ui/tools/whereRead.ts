'use client';

import { useEffect } from 'react';
import { textNodesOf } from './domText';

/** Where a student was last in the sheets: what had the focus or was pressed there. */
let last: Element | null = null;

/** Keeps in mind where in the sheets the student is; tools that begin at the reader's place ask `whereRead`. */
export function useWhereRead(): void {
  useEffect(() => {
    const keep = ({ target }: Event) => {
      if (target instanceof Element && target.closest('[data-sheet]')) last = target;
    };
    for (const event of ['focusin', 'pointerdown']) document.addEventListener(event, keep);
    return () => {
      for (const event of ['focusin', 'pointerdown']) document.removeEventListener(event, keep);
    };
  }, []);
}

/**
 * The text the student is in, and where: an element of it that can be seen, else the height of the screen at which it begins to be
 * seen. Null when there is no text.
 */
export function whereRead(): { readonly root: HTMLElement; readonly where: Element | number } | null {
  const sheet = last?.isConnected ? last.closest('[data-sheet]') : document.querySelector('[data-sheet]');
  const root = sheet?.querySelector<HTMLElement>('[data-text-root]');
  if (!sheet || !root) return null;
  const seen = root.parentElement?.getBoundingClientRect() ?? root.getBoundingClientRect();
  const top = Math.max(0, seen.top);
  if (last && root !== last && root.contains(last)) {
    const box = last.getBoundingClientRect();
    if (box.bottom > top && box.top < Math.min(window.innerHeight, seen.bottom)) return { root, where: last };
  }
  return { root, where: top };
}

/** The place in the text of what comes at or after an element, or of what is first seen at or below a height. */
export function placeOf(root: HTMLElement, where: Element | number): number {
  let at = 0;
  for (const node of textNodesOf(root)) {
    const here =
      typeof where === 'number'
        ? isBelow(node, where)
        : where.contains(node) ||
          (where.compareDocumentPosition(node) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
    if (here && node.data.trim() !== '') return at;
    at += node.length;
  }
  return 0;
}
function isBelow(node: Text, height: number): boolean {
  const range = document.createRange();
  range.selectNodeContents(node);
  return [...range.getClientRects()].some((rect) => rect.bottom > height + 1);
}
