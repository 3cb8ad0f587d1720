import { plainNumber } from '../math/plainNumber';
import * as q from '../math/rational';
import type { Rational } from '../math/rational';

/** A number property of an interaction of ours, kept as written so that it stays exact: `0.1`, `1/3`. */
export type Quantity = string;

/** The exact value of a quantity or of what a student typed; null when it is no number. */
export const exactOf = plainNumber;

const onlyTwosAndFives = (d: bigint): boolean => {
  let rest = d;
  for (const prime of [2n, 5n]) while (rest % prime === 0n) rest /= prime;
  return rest === 1n;
};

/** An exact number as text: a decimal where it ends (`-0.25`), else a fraction (`1/3`). */
export function quantityText(value: Rational): Quantity {
  if (value.d === 1n) return String(value.n);
  if (!onlyTwosAndFives(value.d) || value.d > 1_000_000n) return `${value.n}/${value.d}`;
  let scale = 1n;
  let digits = 0;
  while ((value.n * scale) % value.d !== 0n) {
    scale *= 10n;
    digits += 1;
  }
  const whole = (value.n * scale) / value.d;
  const text = (whole < 0n ? -whole : whole).toString().padStart(digits + 1, '0');
  return `${whole < 0n ? '-' : ''}${text.slice(0, -digits)}.${text.slice(-digits)}`;
}

/** The float a quantity stands for, as a response of base type float writes it. */
export const floatText = (value: Rational): string => String(q.toNumber(value));
