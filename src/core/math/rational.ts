/** An exact fraction in lowest terms with a positive denominator. */
export interface Rational {
  readonly n: bigint;
  readonly d: bigint;
}

/** Numbers longer than this many bits are not computed with: an answer of a school test never needs them. */
const MAX_BITS = 12_000;

/** Thrown when exact computing would cost more than an answer may; the caller falls back or says "can't tell". */
export class TooLarge extends Error {}

const gcd = (a: bigint, b: bigint): bigint => {
  let x = a < 0n ? -a : a;
  let y = b < 0n ? -b : b;
  while (y > 0n) [x, y] = [y, x % y];
  return x;
};

/** The fraction n/d, reduced. @throws TooLarge over the size limit; RangeError when d is 0 */
export function rational(n: bigint | number, d: bigint | number = 1n): Rational {
  const top = BigInt(n);
  const bottom = BigInt(d);
  if (bottom === 0n) throw new RangeError('division by zero');
  if (bottom === 1n) return { n: top, d: 1n };
  const g = gcd(top, bottom) * (bottom < 0n ? -1n : 1n);
  return { n: top / g, d: bottom / g };
}

const checked = (value: Rational): Rational => {
  if (value.n.toString(16).length * 4 > MAX_BITS || value.d.toString(16).length * 4 > MAX_BITS)
    throw new TooLarge();
  return value;
};

export const ZERO = rational(0);
export const ONE = rational(1);
export const add = (a: Rational, b: Rational): Rational =>
  a.d === 1n && b.d === 1n ? { n: a.n + b.n, d: 1n } : checked(rational(a.n * b.d + b.n * a.d, a.d * b.d));
export const negate = (a: Rational): Rational => ({ n: -a.n, d: a.d });
export const subtract = (a: Rational, b: Rational): Rational => add(a, negate(b));
export const multiply = (a: Rational, b: Rational): Rational => checked(rational(a.n * b.n, a.d * b.d));
export const divide = (a: Rational, b: Rational): Rational => checked(rational(a.n * b.d, a.d * b.n));
export const equals = (a: Rational, b: Rational): boolean => a.n === b.n && a.d === b.d;
export const compare = (a: Rational, b: Rational): number => {
  const difference = a.n * b.d - b.n * a.d;
  return difference < 0n ? -1 : difference > 0n ? 1 : 0;
};
export const isZero = (a: Rational): boolean => a.n === 0n;
export const isInteger = (a: Rational): boolean => a.d === 1n;
export const sign = (a: Rational): number => (a.n < 0n ? -1 : a.n > 0n ? 1 : 0);
export const floor = (a: Rational): bigint => {
  const q = a.n / a.d;
  return a.n % a.d < 0n ? q - 1n : q;
};

/** a to a whole power. @throws TooLarge; RangeError for 0 to a negative power */
export function power(a: Rational, exponent: number): Rational {
  const k = Math.abs(exponent);
  const bits = Math.max(a.n.toString(2).length, a.d.toString(2).length);
  if (bits > 1 && bits * k > MAX_BITS) throw new TooLarge();
  const result = { n: a.n ** BigInt(k), d: a.d ** BigInt(k) };
  return exponent < 0 ? rational(result.d, result.n) : result;
}

/** The nearest float. */
export function toNumber(a: Rational): number {
  const direct = Number(a.n) / Number(a.d);
  if (Number.isFinite(direct)) return direct;
  const shift = BigInt(Math.max(0, Math.max(a.n.toString(2).length, a.d.toString(2).length) - 1000));
  return Number(a.n >> shift) / Number(a.d >> shift);
}

/** A decimal numeral (`-3`, `.5`, `1.25`) as an exact fraction. */
export function fromDecimal(text: string): Rational {
  const [whole = '', decimals = ''] = text.split('.');
  return rational(BigInt(`${whole === '' ? '0' : whole}${decimals}`), 10n ** BigInt(decimals.length));
}
