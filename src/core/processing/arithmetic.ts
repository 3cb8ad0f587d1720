import * as v from '../content/value';
import * as n from './numbers';
import { numberOrVariable, type Operator } from './operator';
import type { Scope } from './context';

/** Arithmetic over all numbers of all children: an integer when all are, else a float; NULL when any is NULL. */
const fold =
  (compute: (numbers: readonly number[]) => number): Operator =>
  (args) => {
    const numbers = n.numbersOf(args);
    if (!numbers || numbers.length === 0) return null;
    const result = compute(numbers);
    return n.allIntegers(args) && Number.isInteger(result) ? v.integer(result) : v.float(result);
  };

export function rounded(
  x: number,
  attributes: Readonly<Record<string, string>>,
  scope: Scope,
): number | null {
  const figures = numberOrVariable(attributes.figures, scope);
  if (figures === null) return null;
  return attributes['rounding-mode'] === 'decimalPlaces'
    ? n.toDecimalPlaces(x, figures)
    : n.toSignificantFigures(x, figures);
}

const wholeDivision =
  (compute: (a: number, b: number) => number): Operator =>
  ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null || b === 0 ? null : v.integer(compute(a, b));
  };

const oneNumber =
  (compute: (x: number) => number, result: 'integer' | 'float'): Operator =>
  ([arg]) => {
    const x = n.numberOf(arg);
    if (x === null) return null;
    return result === 'integer' ? v.integer(compute(x)) : v.float(compute(x));
  };

/** Expressions that compute with numbers (QTI 3.0, "Expressions"). */
export const ARITHMETIC: Readonly<Record<string, Operator>> = {
  sum: fold((xs) => xs.reduce((a, b) => a + b, 0)),
  product: fold((xs) => xs.reduce((a, b) => a * b, 1)),
  subtract: fold(([a = NaN, b = NaN]) => a - b),
  divide: ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null || b === 0 ? null : v.float(a / b);
  },
  power: ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null ? null : v.float(Math.pow(a, b));
  },
  'integer-divide': wholeDivision((a, b) => Math.floor(a / b)),
  'integer-modulus': wholeDivision((a, b) => a - b * Math.floor(a / b)),
  truncate: oneNumber(Math.trunc, 'integer'),
  round: oneNumber(n.roundHalfUp, 'integer'),
  'round-to': ([arg], { attributes }, scope) => {
    const x = n.numberOf(arg);
    const result = x === null ? null : rounded(x, attributes, scope);
    return result === null ? null : v.float(result);
  },
  'integer-to-float': oneNumber((x) => x, 'float'),
  min: fold((xs) => Math.min(...xs)),
  max: fold((xs) => Math.max(...xs)),
  gcd: fold((xs) => xs.reduce(n.greatestCommonDivisor)),
  lcm: fold((xs) =>
    xs.reduce((a, b) => (a === 0 || b === 0 ? 0 : Math.abs(a * b) / n.greatestCommonDivisor(a, b))),
  ),
  'math-operator': (args, { attributes }) => {
    const [x, y] = [n.numberOf(args[0]), n.numberOf(args[1])];
    if (x === null || (args.length > 1 && y === null)) return null;
    const result = n.mathOperator(attributes.name ?? '', x, y);
    return ['floor', 'ceil'].includes(attributes.name ?? '') ? v.integer(result) : v.float(result);
  },
  'stats-operator': (args, { attributes }) => {
    const xs = n.numbersOf(args);
    return !xs || xs.length === 0 ? null : v.float(n.statistic(attributes.name ?? '', xs));
  },
};
