'use client';

import type { RefObject } from 'react';
import type { AxisTick } from '@/core/tools/straight-edge';
import { useFollowed } from '../useFollowed';

/** A picture or graph that can be read with a straight-edge; pixels in the element the lines are drawn in. */
export interface Figure {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** Ticks of its axes, in pixels from its corner; none where it has no axis that is known. */
  readonly across: readonly AxisTick[];
  readonly up: readonly AxisTick[];
}
export interface Figures {
  readonly inside: HTMLElement;
  readonly figures: readonly Figure[];
}

/** Our own graphs name their ticks on the group that draws them: pairs of place in the drawing and words, as JSON. */
const AXES = '[data-axis-across]';

function ticksOf(group: SVGGraphicsElement, name: 'across' | 'up', box: DOMRect): AxisTick[] {
  const written = group.getAttribute(`data-axis-${name}`);
  const matrix = group.getScreenCTM();
  if (written === null || !matrix) return [];
  return (JSON.parse(written) as [number, string][]).map(([at, words]) => {
    const point = new DOMPoint(name === 'across' ? at : 0, name === 'up' ? at : 0).matrixTransform(matrix);
    return { at: name === 'across' ? point.x - box.left : point.y - box.top, words };
  });
}

/** A graph of boxes: what each share of its columns' height is worth, as JSON, and its columns by their names. */
const COLUMNS = 'data-axis-shares';

function columnTicks(element: Element, box: DOMRect): Pick<Figure, 'across' | 'up'> {
  const columns = [...element.querySelectorAll('[data-axis-column]')];
  const boxes = columns.map((column) => column.getBoundingClientRect());
  const [first] = boxes;
  const shares = JSON.parse(element.getAttribute(COLUMNS) ?? '[]') as [number, string][];
  return {
    across: boxes.map(({ left, width }, i) => ({
      at: left + width / 2 - box.left,
      words: columns[i]?.getAttribute('data-axis-column') ?? '',
    })),
    up: first
      ? shares.map(([share, words]) => ({ at: first.bottom - share * first.height - box.top, words }))
      : [],
  };
}

function measure(content: HTMLElement): Figures {
  const large = content.querySelector<HTMLElement>('[data-frame][data-large]');
  const inside = large ?? content;
  const origin = inside.getBoundingClientRect();
  const elements = inside.querySelectorAll<Element>(`[data-true-width], svg:has(${AXES}), [${COLUMNS}]`);
  const figures = [...elements].flatMap((element): Figure[] => {
    const box = element.getBoundingClientRect();
    if (box.width < 2 || box.height < 2) return [];
    const axes = element.querySelector<SVGGraphicsElement>(AXES);
    return [
      {
        left: box.left - origin.left + inside.scrollLeft,
        top: box.top - origin.top + inside.scrollTop,
        width: box.width,
        height: box.height,
        ...(element.hasAttribute(COLUMNS)
          ? columnTicks(element, box)
          : {
              across: axes ? ticksOf(axes, 'across', box) : [],
              up: axes ? ticksOf(axes, 'up', box) : [],
            }),
      },
    ];
  });
  return { inside, figures };
}

/** The figures of a sheet, followed through layout, magnifying and being shown large. */
export const useFigures = (contentRef: RefObject<HTMLElement | null>): Figures | null =>
  useFollowed(contentRef, {
    measure,
    isSame: (a, b) => a.inside === b.inside && JSON.stringify(a.figures) === JSON.stringify(b.figures),
    attributes: ['data-large', 'data-axis-across', 'data-axis-up', COLUMNS],
    children: true,
  });
