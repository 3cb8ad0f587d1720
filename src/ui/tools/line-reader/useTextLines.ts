'use client';

import type { RefObject } from 'react';
import { linesOf, type Box, type TextLine } from '@/core/view/lines';
import { textNodesOf } from '../domText';
import { useFollowed } from '../useFollowed';

/** Things that stand in a line or are one: pictures, maths, answer places. */
const SOLID =
  'img, svg, math, input:not([type=radio]):not([type=checkbox]), select, textarea, math-field, button[data-gap], button[data-piece]';

/** The first letter of a text node, from one on, that stands in a line: lines of one node follow one another. */
function firstLetterAt(node: Text, line: DOMRect, from: number): number {
  const range = document.createRange();
  const isAbove = (letter: number): boolean => {
    range.setStart(node, letter);
    range.setEnd(node, letter + 1);
    const box = range.getBoundingClientRect();
    // A blank at the end of a line has no box of its own.
    return box.height === 0 ? false : box.bottom <= line.top + 1;
  };
  let [low, high] = [from, node.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isAbove(middle)) low = middle + 1;
    else high = middle;
  }
  return low;
}

function measure(root: HTMLElement): TextLine[] {
  const origin = root.getBoundingClientRect();
  const boxes: Box[] = [];
  const add = (rect: DOMRect, letter?: number) => {
    boxes.push({
      letter,
      top: rect.top - origin.top,
      bottom: rect.bottom - origin.top,
      left: rect.left,
      right: rect.right,
    });
  };
  let at = 0;
  for (const node of textNodesOf(root)) {
    if (node.data.trim() !== '') {
      const range = document.createRange();
      range.selectNodeContents(node);
      let from = 0;
      for (const rect of range.getClientRects()) {
        from = firstLetterAt(node, rect, from);
        add(rect, at + from);
      }
    }
    at += node.length;
  }
  for (const element of root.querySelectorAll<HTMLElement>(SOLID)) {
    // What other tools lay over the sheet is nothing that is read.
    if (
      !element.parentElement?.closest('svg, math, math-field, button') &&
      !element.closest('[data-no-text]')
    )
      add(element.getBoundingClientRect());
  }
  return linesOf(boxes);
}

export interface Measured {
  readonly lines: readonly TextLine[];
  /** Of the whole sheet, and of a row of buttons with a little air, in pixels. */
  readonly height: number;
  readonly bar: number;
}
const NOTHING: Measured = { lines: [], height: 0, bar: 0 };

/** A row of buttons and the air above and below it, in rem. */
const BAR_REM = 3.75;

const measured = (root: HTMLElement): Measured => ({
  lines: measure(root),
  height: root.getBoundingClientRect().height,
  bar: BAR_REM * parseFloat(getComputedStyle(document.documentElement).fontSize),
});
const isSame = (a: Measured, b: Measured): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The real lines of a sheet, measured again whenever it is laid out anew; the same object while nothing has moved. */
export const useTextLines = (contentRef: RefObject<HTMLElement | null>): Measured =>
  useFollowed(contentRef, { measure: measured, isSame, children: true }) ?? NOTHING;
