'use client';

import { shownLabels, type Tick } from '@/core/interactions/number-line/ticks';
import { useNumbers } from '../../content/useNumbers';
import type { Measured } from '../../kit/useWidth';
import styles from './numberLine.module.css';

/** Where things lie on the line, in pixels of its drawing. */
export interface LineGeometry {
  readonly width: number;
  readonly scale: number;
  readonly height: number;
  /** The line itself, from the top. */
  readonly y: number;
  /** How far beyond an end something must be taken to run on for ever, as a share of the line: half way to the arrow's tip. */
  readonly beyond: number;
  readonly toX: (at: number) => number;
  /** From a pixel to the share of the line, below 0 and above 1 beyond its ends. */
  readonly toAt: (x: number) => number;
}

/** Pixels from the end of the line to the tip of its arrow. */
const ARROW = 24;

export function geometryOf({ width, scale }: Measured): LineGeometry {
  const margin = 34 * scale;
  const inner = Math.max(60, width - 2 * margin);
  return {
    width,
    scale,
    height: 116 * scale,
    y: 52 * scale,
    beyond: (ARROW * scale) / 2 / inner,
    toX: (at) => margin + at * inner,
    toAt: (x) => (x - margin) / inner,
  };
}

const FRACTION = /^(\u2212?)(?:(\d+) )?(\d+)\/(\d+)$/;
const widthOf = (scale: number) => (label: string) => {
  const [, sign = '', whole = '', top = '', bottom = ''] = FRACTION.exec(label) ?? [];
  const letters =
    top === '' ? label.length : sign.length + whole.length + Math.max(top.length, bottom.length);
  return letters * 9.5 * scale;
};

/** A label under its tick; a fraction stands as one, with its line. */
function Label({ text, x, y, scale }: { text: string; x: number; y: number; scale: number }) {
  const [, sign = '', whole = '', top, bottom] = FRACTION.exec(text) ?? [];
  const size = 17 * scale;
  if (top === undefined || bottom === undefined)
    return (
      <text x={x} y={y + 14 * scale} className={styles.label} fontSize={size}>
        {text}
      </text>
    );
  const half = (Math.max(top.length, bottom.length) * 9.5 * scale) / 2;
  const before = `${sign}${whole}`;
  // A mixed number stands under its tick as a whole: what is before the fraction moves it to the right.
  const middle = x + (before.length * 9.5 * scale) / 2;
  return (
    <g>
      {before !== '' && (
        <text
          x={middle - half - 3 * scale}
          y={y + 22 * scale}
          className={styles.label}
          fontSize={size}
          style={{ textAnchor: 'end' }}
        >
          {before}
        </text>
      )}
      <text x={middle} y={y + 12 * scale} className={styles.label} fontSize={size}>
        {top}
      </text>
      <line
        className={styles.bar}
        x1={middle - half}
        x2={middle + half}
        y1={y + 17 * scale}
        y2={y + 17 * scale}
      />
      <text x={middle} y={y + 33 * scale} className={styles.label} fontSize={size}>
        {bottom}
      </text>
    </g>
  );
}

/** The line with its ticks and as many labels as fit. */
export function Axis({ ticks, geometry }: { ticks: readonly Tick[]; geometry: LineGeometry }) {
  const { y, scale, toX } = geometry;
  const { show } = useNumbers();
  const labels = shownLabels(ticks, toX(1) - toX(0), widthOf(scale));
  const [left, right] = [toX(0) - ARROW * scale, toX(1) + ARROW * scale];
  const head = 7 * scale;
  return (
    <g data-axis-across={JSON.stringify(ticks.map((tick) => [toX(tick.at), show(tick.label)]))}>
      <line className={styles.axis} x1={left} x2={right} y1={y} y2={y} />
      <path
        className={styles.axis}
        d={`M${left + head} ${y - head}L${left} ${y}L${left + head} ${y + head}`}
      />
      <path
        className={styles.axis}
        d={`M${right - head} ${y - head}L${right} ${y}L${right - head} ${y + head}`}
      />
      {ticks.map((tick) => {
        const size = (tick.major ? 12 : 7) * scale;
        const x = toX(tick.at);
        return (
          <g key={tick.at}>
            <line
              className={tick.major ? styles.axis : styles.minor}
              x1={x}
              x2={x}
              y1={y - size}
              y2={y + size}
            />
            {labels.has(tick) && <Label text={show(tick.label)} x={x} y={y + 18 * scale} scale={scale} />}
          </g>
        );
      })}
    </g>
  );
}
