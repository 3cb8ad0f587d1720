import * as q from '../../math/rational';
import type { Rational } from '../../math/rational';
import { exactOf, quantityText } from '../quantity';

export const LABELS = ['decimal', 'fraction', 'none'] as const;
export type LabelStyle = (typeof LABELS)[number];

/** What a scale is made of: ends and step as written, parts per step. */
export interface Scale {
  readonly min: string;
  readonly max: string;
  readonly step: string;
  readonly minor: number;
  readonly labels: LabelStyle;
}
/** One mark of the line. Its value is exact; nothing drifts however many there are. */
export interface Tick {
  readonly value: Rational;
  /** From 0 at the left end to 1 at the right. */
  readonly at: number;
  /** Bears a label (a whole step), or is one of the parts between. */
  readonly major: boolean;
  readonly label: string;
}

/** Most ticks a line is drawn with. */
export const MAX_TICKS = 400;

const or = (text: string, fallback: Rational): Rational => exactOf(text) ?? fallback;

/** The ends and the distance between two ticks, exact. */
export function scaleOf({ min, max, step, minor }: Scale): { min: Rational; max: Rational; tick: Rational } {
  const [low, high, size] = [or(min, q.ZERO), or(max, q.ONE), or(step, q.ONE)];
  return { min: low, max: high, tick: q.divide(size, q.rational(Math.max(1, minor))) };
}

/** How many ticks a scale would have; used to refuse what cannot be drawn. */
export function tickCount(scale: Scale): number {
  const { min, max, tick } = scaleOf(scale);
  if (q.sign(tick) <= 0 || q.compare(max, min) <= 0) return 0;
  return Number(q.floor(q.divide(q.subtract(max, min), tick))) + 1;
}

/** A fraction as a label: `1 1/2` for three halves, `3` for a whole number. */
export function fractionLabel(value: Rational): string {
  if (value.d === 1n) return String(value.n);
  const size = value.n < 0n ? -value.n : value.n;
  const [whole, rest] = [size / value.d, size % value.d];
  return `${value.n < 0n ? '-' : ''}${whole > 0n ? `${whole} ` : ''}${rest}/${value.d}`;
}

/** A value as the line labels it; the minus sign is the typographic one. */
export function labelOf(value: Rational, style: LabelStyle): string {
  const text = style === 'fraction' ? fractionLabel(value) : quantityText(value);
  return text.replace('-', '\u2212');
}

/** All ticks from left to right. */
export function ticksOf(scale: Scale): Tick[] {
  const { min, max, tick } = scaleOf(scale);
  const width = q.toNumber(q.subtract(max, min));
  const perStep = Math.max(1, scale.minor);
  return Array.from({ length: Math.min(MAX_TICKS, tickCount(scale)) }, (_, i) => {
    const value = q.add(min, q.multiply(q.rational(i), tick));
    const major = i % perStep === 0;
    return {
      value,
      at: q.toNumber(q.subtract(value, min)) / width,
      major,
      label: major && scale.labels !== 'none' ? labelOf(value, scale.labels) : '',
    };
  });
}

/**
 * Which labels are shown so that none touches the next: every one, every second, every fifth …, the first always.
 * @param width pixels of the line
 * @param widthOf pixels of a label
 */
export function shownLabels(
  ticks: readonly Tick[],
  width: number,
  widthOf: (label: string) => number,
): Set<Tick> {
  const labelled = ticks.filter((tick) => tick.label !== '');
  const gap = 8;
  for (const every of [1, 2, 5, 10, 20, 50, 100, 200]) {
    const kept = labelled.filter((_, i) => i % every === 0);
    const fits = kept.every((tick, i) => {
      const next = kept[i + 1];
      return !next || (next.at - tick.at) * width >= (widthOf(tick.label) + widthOf(next.label)) / 2 + gap;
    });
    if (fits) return new Set(kept);
  }
  return new Set(labelled.slice(0, 1));
}

/** The tick nearest to a place on the line, `at` from 0 to 1. */
export function nearestTick(ticks: readonly Tick[], at: number): Tick | undefined {
  return ticks.reduce<Tick | undefined>(
    (best, tick) => (!best || Math.abs(tick.at - at) < Math.abs(best.at - at) ? tick : best),
    undefined,
  );
}

/** The next tick to the right (`1`) or left (`-1`) of a value that may lie between two; the value itself at an end. */
export function stepFrom(ticks: readonly Tick[], value: Rational, direction: 1 | -1): Rational {
  const beyond = ticks.filter((tick) => q.compare(tick.value, value) * direction > 0);
  return (direction === 1 ? beyond[0] : beyond.at(-1))?.value ?? value;
}
