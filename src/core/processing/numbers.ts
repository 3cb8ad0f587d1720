import type { Value } from '../content/value';
import { isNull, scalarsOf } from '../content/value';

/** Half goes up, towards positive infinity (QTI 3.0, "round"). */
export const roundHalfUp = (x: number): number => Math.floor(x + 0.5);

/** Rounded to decimal places, on the decimal digits of the number and not on its binary error (2.675 → 2.68). */
export function toDecimalPlaces(x: number, places: number): number {
  if (!Number.isFinite(x) || Math.abs(x) >= 1e21) return x;
  const shift = (value: number, by: number): number => {
    const [mantissa = '0', exponent = '0'] = String(value).split('e');
    return Number(`${mantissa}e${Number(exponent) + by}`);
  };
  return shift(roundHalfUp(shift(x, places)), -places);
}

/** Rounded to significant figures. */
export function toSignificantFigures(x: number, figures: number): number {
  if (x === 0 || !Number.isFinite(x)) return x;
  return toDecimalPlaces(x, figures - 1 - Math.floor(Math.log10(Math.abs(x))));
}

/** A single number, or null when NULL or not a number. */
export function numberOf(value: Value | undefined): number | null {
  if (value === undefined || value === null || value.cardinality !== 'single') return null;
  return typeof value.value === 'number' ? value.value : null;
}

/** All numbers of all values; null as soon as one value is NULL or not numeric (QTI: "if any is NULL, NULL"). */
export function numbersOf(values: readonly Value[]): number[] | null {
  const numbers: number[] = [];
  for (const value of values) {
    if (isNull(value)) return null;
    for (const scalar of scalarsOf(value)) {
      if (typeof scalar !== 'number') return null;
      numbers.push(scalar);
    }
  }
  return numbers;
}

/** Whether all values are integers by base type. */
export const allIntegers = (values: readonly Value[]): boolean =>
  values.every((value) => value !== null && value.cardinality !== 'record' && value.baseType === 'integer');

export const greatestCommonDivisor = (a: number, b: number): number => {
  let [x, y] = [Math.abs(a), Math.abs(b)];
  while (y > 0) [x, y] = [y, x % y];
  return x;
};

/** A function of `math-operator`; NaN for a name that is not in the standard. */
export function mathOperator(name: string, x: number, y: number | null): number {
  const reciprocal = (value: number) => 1 / value;
  switch (name) {
    case 'sin':
    case 'cos':
    case 'tan':
    case 'asin':
    case 'acos':
    case 'atan':
    case 'sinh':
    case 'cosh':
    case 'tanh':
    case 'exp':
    case 'abs':
    case 'floor':
    case 'ceil':
      return Math[name](x);
    case 'atan2':
      return y === null ? NaN : Math.atan2(x, y);
    case 'sec':
      return reciprocal(Math.cos(x));
    case 'csc':
      return reciprocal(Math.sin(x));
    case 'cot':
      return reciprocal(Math.tan(x));
    case 'sech':
      return reciprocal(Math.cosh(x));
    case 'csch':
      return reciprocal(Math.sinh(x));
    case 'coth':
      return reciprocal(Math.tanh(x));
    case 'asec':
      return Math.acos(reciprocal(x));
    case 'acsc':
      return Math.asin(reciprocal(x));
    case 'acot':
      return Math.atan(reciprocal(x));
    case 'log':
      return x < 0 ? NaN : Math.log10(x);
    case 'ln':
      return x < 0 ? NaN : Math.log(x);
    case 'signum':
      return Math.sign(x);
    case 'toDegrees':
      return (x * 180) / Math.PI;
    case 'toRadians':
      return (x * Math.PI) / 180;
    default:
      return NaN;
  }
}

/** A statistic of `stats-operator`; NaN when undefined (a sample of one has no sample variance). */
export function statistic(name: string, xs: readonly number[]): number {
  const mean = xs.reduce((sum, x) => sum + x, 0) / xs.length;
  const squares = xs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  switch (name) {
    case 'mean':
      return mean;
    case 'sampleVariance':
      return squares / (xs.length - 1);
    case 'sampleSD':
      return Math.sqrt(squares / (xs.length - 1));
    case 'popVariance':
      return squares / xs.length;
    case 'popSD':
      return Math.sqrt(squares / xs.length);
    default:
      return NaN;
  }
}
