'use client';

import type { RefObject } from 'react';
import { useFollowed } from '../useFollowed';

/** What is measured on: the element instruments are drawn in, where its corner lies in it, and its size and scale. */
export interface Measured {
  readonly inside: HTMLElement;
  /** Pixels on the screen. */
  readonly left: number;
  readonly top: number;
  /** Of the whole element, in pixels at 100 %, counted from the corner. */
  readonly room: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  };
  /** Of the picture that is measured on, in pixels at 100 %; nothing where there is none. */
  readonly figure: { readonly width: number; readonly height: number };
  /** Pixels on the screen for one at 100 %. */
  readonly scale: number;
}

const PICTURE = '[data-true-width]';

function measure(content: HTMLElement): Measured {
  const large = content.querySelector<HTMLElement>('[data-frame][data-large]');
  const inside = large ?? content;
  const origin = inside.getBoundingClientRect();
  const figure = inside.querySelector<HTMLElement>(PICTURE);
  const box = figure?.getBoundingClientRect();
  const meant = Number(figure?.dataset.trueWidth);
  const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
  // An instrument is true to the figure it is laid on, also where that is drawn smaller or enlarged.
  const scale = box && meant > 0 && box.width > 0 ? box.width / meant : rem / 16;
  const left = (box?.left ?? origin.left) - origin.left + inside.scrollLeft;
  const top = (box?.top ?? origin.top) - origin.top + inside.scrollTop;
  return {
    inside,
    left,
    top,
    scale,
    figure: { width: (box?.width ?? 0) / scale, height: (box?.height ?? 0) / scale },
    room: {
      left: -left / scale,
      top: -top / scale,
      width: Math.max(origin.width, inside.scrollWidth) / scale,
      height: Math.max(origin.height, inside.scrollHeight) / scale,
    },
  };
}

const isSame = (a: Measured, b: Measured): boolean =>
  a.inside === b.inside &&
  a.left === b.left &&
  a.top === b.top &&
  a.scale === b.scale &&
  a.room.width === b.room.width &&
  a.room.height === b.room.height;

/** What is measured on in a question, followed through layout, magnifying, and figures shown large. */
export const useMeasured = (contentRef: RefObject<HTMLElement | null>): Measured | null =>
  useFollowed(contentRef, { measure, isSame, sized: PICTURE, attributes: ['data-large'] });
