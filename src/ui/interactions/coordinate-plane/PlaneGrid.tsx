'use client';

import { useNumbers } from '../../content/useNumbers';
import { labelEvery, type PlaneAxes, type PlaneGeometry } from './geometry';
import styles from './plane.module.css';

const textOf = (value: number): string => String(Number(value.toPrecision(10))).replace('-', '\u2212');

/** Values at which grid lines lie, from the origin's own multiples. */
function linesOf({ min, max, step }: { min: number; max: number; step: number }): number[] {
  const first = Math.ceil(min / step - 1e-9);
  const last = Math.floor(max / step + 1e-9);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) =>
    Number(((first + i) * step).toPrecision(12)),
  );
}

/** Grid, axes, numbers and the names of the axes. */
export function PlaneGrid({ model, geometry }: { model: PlaneAxes; geometry: PlaneGeometry }) {
  const { x, y } = model;
  const { show } = useNumbers();
  const text = (value: number): string => show(textOf(value));
  const { toPixel, left, top, innerWidth, innerHeight, scale } = geometry;
  const [xs, ys] = [linesOf(x), linesOf(y)];
  const [zeroX, zeroY] = [Math.max(x.min, Math.min(x.max, 0)), Math.max(y.min, Math.min(y.max, 0))];
  const origin = toPixel({ x: zeroX, y: zeroY });
  const widest = Math.max(...xs.map((value) => text(value).length));
  const everyX = labelEvery(xs.length, innerWidth, (widest * 9 + 7) * scale);
  const everyY = labelEvery(ys.length, innerHeight, 22 * scale);
  const size = 15 * scale;
  const [right, bottom] = [left + innerWidth, top + innerHeight];
  const ticks = (values: readonly number[], name: 'x' | 'y') =>
    JSON.stringify(values.map((value) => [toPixel({ x: value, y: value })[name], text(value)]));
  return (
    <g data-axis-across={ticks(xs, 'x')} data-axis-up={ticks(ys, 'y')}>
      {xs.map((value) => {
        const at = toPixel({ x: value, y: 0 }).x;
        return <line key={`x${value}`} className={styles.grid} x1={at} x2={at} y1={top} y2={bottom} />;
      })}
      {ys.map((value) => {
        const at = toPixel({ x: 0, y: value }).y;
        return <line key={`y${value}`} className={styles.grid} x1={left} x2={right} y1={at} y2={at} />;
      })}
      <line className={styles.axis} x1={left} x2={right} y1={origin.y} y2={origin.y} />
      <line className={styles.axis} x1={origin.x} x2={origin.x} y1={top} y2={bottom} />
      {xs.map((value) =>
        Math.round(value / x.step) % everyX === 0 ? (
          <text
            key={`x${value}`}
            className={styles.number}
            fontSize={size}
            textAnchor="middle"
            x={toPixel({ x: value, y: 0 }).x}
            y={bottom + 17 * scale}
          >
            {text(value)}
          </text>
        ) : null,
      )}
      {ys.map((value) =>
        Math.round(value / y.step) % everyY === 0 ? (
          <text
            key={`y${value}`}
            className={styles.number}
            fontSize={size}
            textAnchor="end"
            x={left - 6 * scale}
            y={toPixel({ x: 0, y: value }).y + 5 * scale}
          >
            {text(value)}
          </text>
        ) : null,
      )}
      <text className={styles.name} fontSize={size} textAnchor="end" x={right} y={bottom + 35 * scale}>
        {x.label}
      </text>
      <text className={styles.name} fontSize={size} x={left - 38 * scale} y={top - 8 * scale}>
        {y.label}
      </text>
    </g>
  );
}
