'use client';

import { getStroke } from 'perfect-freehand';
import { useEffect, useState, type PointerEvent } from 'react';
import { keptPoints, MOST_STROKES, shownPoints, type Hold, type Stroke } from '@/core/tools/sketch';
import { useKept, useKeptAt } from '../../attempt/PlayerContext';
import { useDrag } from '../../kit/useDrag';
import { usePointer } from '../pointer';
import type { SheetLayerProps } from '../types';
import { holdAt, placeOfHold } from './places';
import styles from './sketch.module.css';
import { nextName, PEN, STROKES, strokesOf } from './state';

interface Point {
  readonly x: number;
  readonly y: number;
}
interface Going {
  readonly hold: Hold;
  readonly points: readonly Point[];
}

/** A closed outline as an SVG path. */
const pathOf = (points: readonly Point[], width: number, kind: Stroke['kind']): string => {
  if (kind === 'line') return points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('');
  const outline = getStroke(
    points.map(({ x, y }) => [x, y]),
    { size: width, thinning: 0, smoothing: 0.5 },
  );
  return `${outline.map(([x = 0, y = 0], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')}Z`;
};

/** What was drawn over a question; takes the pointer only while the student draws. */
export function SketchLayer({ sheet, textId, contentRef }: SheetLayerProps) {
  return sheet === 'question' ? (
    <Drawn itemRef={textId.replace(/^item:/, '')} contentRef={contentRef} />
  ) : null;
}

function Drawn({ itemRef, contentRef }: Pick<SheetLayerProps, 'contentRef'> & { readonly itemRef: string }) {
  const [pen] = useKept('sketch', PEN);
  const [kept, keep] = useKeptAt('sketch', itemRef, STROKES);
  const { mine } = usePointer('sketch');
  const [going, setGoing] = useState<Going | null>(null);
  const [root, setRoot] = useState<HTMLElement | null>(null);
  // Strokes lie on words and figures: they are placed anew whenever those may have moved.
  const [, layOut] = useState(0);
  useEffect(() => {
    const content = contentRef.current;
    if (!content) return undefined;
    let frame = 0;
    const again = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => {
        setRoot(content);
        layOut((count) => count + 1);
      });
    };
    again();
    const sizes = new ResizeObserver(again);
    sizes.observe(content);
    for (const figure of content.querySelectorAll('[data-true-width]')) sizes.observe(figure);
    return () => {
      cancelAnimationFrame(frame);
      sizes.disconnect();
    };
  }, [contentRef]);

  const inside = ({ clientX, clientY }: PointerEvent<Element>): Point => {
    const box = contentRef.current?.getBoundingClientRect();
    return { x: clientX - (box?.left ?? 0), y: clientY - (box?.top ?? 0) };
  };
  const strokes = strokesOf(kept);
  const rubOut = (event: PointerEvent<Element>) => {
    const name = document
      .elementsFromPoint(event.clientX, event.clientY)
      .map((one) => one.getAttribute('data-stroke'))
      .find((one) => one !== null);
    if (name !== undefined && name !== null) keep({ [name]: null });
  };
  const drag = useDrag<Hold, Element>({
    enabled: mine,
    begin: (event) => {
      const content = contentRef.current;
      if (!content) return null;
      const hold = holdAt(content, { x: event.clientX, y: event.clientY });
      if (pen.kind === 'eraser') rubOut(event);
      else setGoing({ hold, points: [inside(event)] });
      return hold;
    },
    move: (event) => {
      if (pen.kind === 'eraser') return rubOut(event);
      return setGoing((before) => before && { ...before, points: [...before.points, inside(event)] });
    },
    end: () => {
      const place = going && contentRef.current && placeOfHold(contentRef.current, going.hold);
      setGoing(null);
      if (!going || !place || pen.kind === 'eraser' || strokes.length >= MOST_STROKES) return;
      const points = keptPoints(going.points, place.origin, place.unit, pen.kind);
      if (points.length < 4) return;
      keep({
        [nextName(kept)]: { hold: going.hold, kind: pen.kind, colour: pen.colour, width: pen.width, points },
      });
    },
    cancel: () => setGoing(null),
  });
  if (!root || (!pen.shown && !mine)) return null;
  const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
  const draw = (
    stroke: Pick<Stroke, 'kind' | 'colour' | 'width'>,
    points: readonly Point[],
    name?: string,
  ) => (
    <path
      key={name ?? 'going'}
      className={styles.stroke}
      data-stroke={name}
      data-kind={stroke.kind}
      data-colour={stroke.colour}
      strokeWidth={stroke.kind === 'line' ? stroke.width * rem : undefined}
      d={pathOf(points, stroke.width * rem, stroke.kind)}
    />
  );
  return (
    <svg
      className={styles.layer}
      data-no-text=""
      data-strokes={strokes.length}
      data-drawing={mine || undefined}
      data-eraser={(mine && pen.kind === 'eraser') || undefined}
      aria-hidden="true"
      // Else the words beneath would be selected, and the next stroke would carry them off.
      onMouseDown={(event) => event.preventDefault()}
      {...drag.handlers}
    >
      {strokes.map((stroke) => {
        const place = placeOfHold(root, stroke.hold);
        return place && draw(stroke, shownPoints(stroke.points, place.origin, place.unit), stroke.name);
      })}
      {going &&
        pen.kind !== 'eraser' &&
        draw({ ...pen, kind: pen.kind }, pen.kind === 'line' ? ends(going.points) : going.points)}
    </svg>
  );
}

const ends = (points: readonly Point[]): readonly Point[] => {
  const [first] = points;
  const last = points.at(-1);
  return first && last ? [first, last] : points;
};
