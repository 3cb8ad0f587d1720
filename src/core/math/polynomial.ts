import * as q from './rational';
import type { Rational } from './rational';

/**
 * A polynomial over generators with rational exponents: a sum of coefficient × monomial. Generators are variables
 * (`x`), constants (`pi`), primes under a root (`2` with exponent 1/2) and kernels (`@0`, see `field.ts`).
 */
export interface Monomial {
  readonly key: string;
  readonly powers: readonly (readonly [generator: string, exponent: Rational])[];
}
export interface Term {
  readonly c: Rational;
  readonly m: Monomial;
}
export type Polynomial = ReadonlyMap<string, Term>;

/** More terms than this and exact computing gives up (TooLarge). */
const MAX_TERMS = 1200;

const keyOf = (powers: Monomial['powers']) => powers.map(([g, e]) => `${g}^${e.n}/${e.d}`).join('*');

export function monomial(powers: Iterable<readonly [string, Rational]>): Monomial {
  const kept = [...powers].filter(([, e]) => !q.isZero(e)).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  return { key: keyOf(kept), powers: kept };
}
export const UNIT: Monomial = monomial([]);

export const constant = (c: Rational): Polynomial =>
  q.isZero(c) ? new Map() : new Map([['', { c, m: UNIT }]]);
export const generator = (name: string, exponent: Rational = q.ONE): Polynomial => {
  const m = monomial([[name, exponent]]);
  return new Map([[m.key, { c: q.ONE, m }]]);
};
export const isZero = (p: Polynomial): boolean => p.size === 0;

/** The rational number a polynomial is, or null. */
export function asRational(p: Polynomial): Rational | null {
  if (p.size === 0) return q.ZERO;
  const only = p.size === 1 ? p.get('') : undefined;
  return only ? only.c : null;
}

export function fromTerms(terms: Iterable<Term>): Polynomial {
  const result = new Map<string, Term>();
  for (const term of terms) {
    const before = result.get(term.m.key);
    const c = before ? q.add(before.c, term.c) : term.c;
    if (q.isZero(c)) result.delete(term.m.key);
    else result.set(term.m.key, { c, m: term.m });
    if (result.size > MAX_TERMS) throw new q.TooLarge();
  }
  return result;
}

export const add = (a: Polynomial, b: Polynomial): Polynomial => fromTerms([...a.values(), ...b.values()]);
export const scale = (a: Polynomial, c: Rational): Polynomial =>
  q.isZero(c) ? new Map() : fromTerms([...a.values()].map((t) => ({ c: q.multiply(t.c, c), m: t.m })));
export const subtract = (a: Polynomial, b: Polynomial): Polynomial => add(a, scale(b, q.rational(-1)));

export function multiplyMonomials(a: Monomial, b: Monomial): Monomial {
  const powers = new Map(a.powers);
  for (const [g, e] of b.powers) powers.set(g, q.add(powers.get(g) ?? q.ZERO, e));
  return monomial(powers);
}

/** Greatest common divisor of the coefficients, positive: 6x + 4 → 2, x/2 + 1/3 → 1/6. */
export function content(p: Polynomial): Rational {
  let n = 0n;
  let d = 1n;
  const gcd = (a: bigint, b: bigint): bigint => {
    let [x, y] = [a < 0n ? -a : a, b];
    while (y > 0n) [x, y] = [y, x % y];
    return x;
  };
  for (const { c } of p.values()) {
    n = gcd(c.n, n);
    d = (d * c.d) / gcd(c.d, d);
  }
  return n === 0n ? q.ONE : q.rational(n, d);
}

/** Terms in a fixed order, so that "the first" means the same for equal polynomials. */
export const ordered = (p: Polynomial): Term[] =>
  [...p.values()].sort((a, b) => (a.m.key < b.m.key ? 1 : a.m.key > b.m.key ? -1 : 0));
