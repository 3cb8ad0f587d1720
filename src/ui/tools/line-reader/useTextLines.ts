'use client';

import { useEffect, useState, type RefObject } from 'react';
import { linesOf, type Box, type TextLine } from '@/core/view/lines';
import { textNodesOf } from '../domText';

/** Things that stand in a line or are one: pictures, maths, answer places. */
const SOLID =
  'img, svg, math, input:not([type=radio]):not([type=checkbox]), select, textarea, math-field, button[data-gap], button[data-piece]';

function measure(root: HTMLElement): TextLine[] {
  const origin = root.getBoundingClientRect();
  const boxes: Box[] = [];
  const add = (rect: DOMRect) => {
    boxes.push({
      top: rect.top - origin.top,
      bottom: rect.bottom - origin.top,
      left: rect.left,
      right: rect.right,
    });
  };
  for (const node of textNodesOf(root)) {
    if (node.data.trim() === '') continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    for (const rect of range.getClientRects()) add(rect);
  }
  for (const element of root.querySelectorAll<HTMLElement>(SOLID)) {
    if (!element.parentElement?.closest('svg, math, math-field, button'))
      add(element.getBoundingClientRect());
  }
  return linesOf(boxes);
}

/** The real lines of a sheet, measured again whenever it is laid out anew. */
export function useTextLines(
  contentRef: RefObject<HTMLElement | null>,
  active: boolean,
): readonly TextLine[] {
  const [lines, setLines] = useState<readonly TextLine[]>([]);
  useEffect(() => {
    const root = contentRef.current;
    if (!root || !active) return undefined;
    let frame = 0;
    const update = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => setLines(measure(root)));
    };
    update();
    const sizes = new ResizeObserver(update);
    sizes.observe(root);
    const changes = new MutationObserver(update);
    changes.observe(root, { childList: true, subtree: true });
    void document.fonts.ready.then(update);
    return () => {
      cancelAnimationFrame(frame);
      sizes.disconnect();
      changes.disconnect();
    };
  }, [contentRef, active]);
  return lines;
}
