import type { Hold } from '@/core/tools/sketch';
import { pointAt, textNodesOf } from '../domText';

interface Point {
  readonly x: number;
  readonly y: number;
}
/** Where a hold is now: its corner on the screen, and what its points are counted in. */
export interface Place {
  readonly origin: Point;
  readonly unit: number;
}

const figuresOf = (root: HTMLElement): readonly HTMLElement[] => [
  ...root.querySelectorAll<HTMLElement>('[data-true-width]'),
];
const remOf = () => parseFloat(getComputedStyle(document.documentElement).fontSize);

/** The first line box of a letter of the text. */
function letterBox(root: HTMLElement, letter: number): DOMRect | null {
  const at = pointAt(root, letter);
  if (!at) return null;
  const range = document.createRange();
  range.setStart(at.node, at.offset);
  range.setEnd(at.node, Math.min(at.node.length, at.offset + 1));
  return range.getBoundingClientRect();
}

/** What a stroke that begins here holds on to: the figure under it, else the nearest letter. */
export function holdAt(root: HTMLElement, { x, y }: Point): Hold {
  const index = figuresOf(root).findIndex((figure) => {
    const box = figure.getBoundingClientRect();
    return x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
  });
  if (index >= 0) return { on: 'figure', index };
  let best = { letter: 0, far: Infinity };
  let at = 0;
  for (const node of textNodesOf(root)) {
    if (node.data.trim() !== '') {
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const box of range.getClientRects()) {
        const far = Math.hypot(
          Math.max(box.left - x, 0, x - box.right),
          2 * Math.max(box.top - y, 0, y - box.bottom),
        );
        if (far < best.far) best = { letter: letterIn(node, at, { x, y }, far), far };
      }
    }
    at += node.length;
  }
  return { on: 'letter', letter: best.letter };
}

/** The letter of a text node nearest to a point. */
function letterIn(node: Text, at: number, { x, y }: Point, within: number): number {
  const range = document.createRange();
  let best = { letter: at, far: Infinity };
  for (let i = 0; i < node.length; i += 1) {
    range.setStart(node, i);
    range.setEnd(node, i + 1);
    const box = range.getBoundingClientRect();
    if (box.width === 0) continue;
    const far = Math.hypot(
      Math.max(box.left - x, 0, x - box.right),
      2 * Math.max(box.top - y, 0, y - box.bottom),
    );
    if (far < best.far) best = { letter: at + i, far };
    if (far <= within) break;
  }
  return best.letter;
}

/** Where a hold is now, from the corner of the sheet's content; null when it is gone. */
export function placeOfHold(root: HTMLElement, hold: Hold): Place | null {
  const from = root.getBoundingClientRect();
  const box =
    hold.on === 'figure'
      ? figuresOf(root)[hold.index]?.getBoundingClientRect()
      : letterBox(root, hold.letter);
  if (!box) return null;
  return {
    origin: { x: box.left - from.left, y: box.top - from.top },
    unit: hold.on === 'figure' ? box.width : remOf(),
  };
}
