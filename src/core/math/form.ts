import { exactValue } from './exact';
import { Field, Undefined } from './field';
import { isIrreducible } from './factor';
import { ungroup, walkMath, type MathNode } from './node';
import * as p from './polynomial';
import * as q from './rational';

export const FORMS = ['any', 'simplest', 'fraction', 'mixed', 'decimal', 'factored', 'expanded'] as const;
export type Form = (typeof FORMS)[number];

const bare = (node: MathNode): MathNode => {
  const inner = ungroup(node);
  return inner.t === 'neg' ? bare(inner.arg) : inner;
};
const wholeNumber = (node: MathNode): bigint | null => {
  const inner = bare(node);
  return inner.t === 'num' && inner.written === 'integer' ? inner.value.n : null;
};
const coprime = (a: bigint, b: bigint) => q.rational(a, b).d === (b < 0n ? -b : b);

const gcdOf = (a: bigint, b: bigint): bigint => {
  let [x, y] = [a < 0n ? -a : a, b < 0n ? -b : b];
  while (y > 0n) [x, y] = [y, x % y];
  return x;
};

/** The whole number that can be taken out of an expression as it is written: 6 of 6x, 2 of 2x + 4, 2 of 2√3. */
function wholeFactor(node: MathNode): bigint {
  const inner = bare(node);
  switch (inner.t) {
    case 'num':
      return inner.written === 'integer' ? inner.value.n : 1n;
    case 'mul':
      return inner.args.map(wholeFactor).reduce((product, one) => product * one, 1n);
    case 'add':
      return inner.args.map(wholeFactor).reduce(gcdOf, 0n);
    case 'pow': {
      const [base, exponent] = [wholeFactor(inner.base), wholeNumber(inner.exponent)];
      return exponent !== null && exponent > 0n && exponent < 20n ? base ** exponent : 1n;
    }
    default:
      return 1n;
  }
}

/** Lowest terms, no fraction where a whole number does, no radicand with a square (or n-th power) factor. */
function isSimplest(node: MathNode): boolean {
  for (const inner of walkMath(node)) {
    if (inner.t === 'mixed') {
      if (inner.n >= inner.d || inner.n === 0n || !coprime(inner.n, inner.d)) return false;
    }
    if (inner.t === 'div') {
      const [a, b] = [wholeNumber(inner.a), wholeNumber(inner.b)];
      if (b === 1n) return false;
      if (a !== null && b !== null && (b === 0n || !coprime(a, b))) return false;
      if (gcdOf(wholeFactor(inner.a), wholeFactor(inner.b)) > 1n) return false;
    }
    if (inner.t === 'root') {
      const [index, radicand] = [wholeNumber(inner.index), ungroup(inner.arg)];
      if (radicand.t === 'div' && wholeNumber(radicand.a) !== null && wholeNumber(radicand.b) !== null)
        return false;
      const value = wholeNumber(radicand);
      if (value !== null && index !== null && hasPowerFactor(value, Number(index))) return false;
    }
  }
  return true;
}

function hasPowerFactor(value: bigint, index: number): boolean {
  const size = value < 0n ? -value : value;
  if (size <= 1n || index < 2 || index > 60) return true;
  for (let base = 2n; base <= 20_000n && base ** BigInt(index) <= size; base += 1n) {
    if (size % base ** BigInt(index) === 0n) return true;
  }
  return false;
}

const isFraction = (node: MathNode): boolean => {
  const inner = bare(node);
  return inner.t === 'div' && wholeNumber(inner.a) !== null && wholeNumber(inner.b) !== null;
};
const isMixed = (node: MathNode): boolean => {
  const inner = bare(node);
  return inner.t === 'mixed' && inner.whole !== 0n && inner.n > 0n && inner.n < inner.d;
};
const isDecimal = (node: MathNode): boolean => bare(node).t === 'num';

/** The exact value as a polynomial, or null when it is none. */
function polynomialOf(node: MathNode): p.Polynomial | null {
  try {
    const value = exactValue(node, new Field());
    const den = p.asRational(value.den);
    return den ? p.scale(value.num, q.divide(q.ONE, den)) : null;
  } catch (error) {
    if (error instanceof q.TooLarge || error instanceof Undefined || error instanceof RangeError) return null;
    throw error;
  }
}

const hasSum = (node: MathNode) => [...walkMath(node)].some((inner) => inner.t === 'add');

/** A sum of products without brackets, like terms put together. */
function isExpanded(node: MathNode): boolean {
  const inner = bare(node);
  const terms = inner.t === 'add' ? inner.args : [inner];
  if (terms.some(hasSum)) return false;
  const value = polynomialOf(inner);
  return value !== null && value.size === terms.length;
}

function factorsOf(node: MathNode): MathNode[] {
  const inner = bare(node);
  if (inner.t === 'mul') return inner.args.flatMap(factorsOf);
  if (inner.t === 'pow' && wholeNumber(inner.exponent) !== null) return factorsOf(inner.base);
  return [inner];
}

/**
 * A product in which no factor can be split further over the rational numbers, nor has a number in common. One too large to be
 * decided (factor.ts says how large) is taken as it is.
 */
function isFactored(node: MathNode): boolean {
  return factorsOf(node).every((factor) => {
    if (!hasSum(factor)) return true;
    const value = polynomialOf(factor);
    if (!value) return false;
    if (!q.equals(p.content(value), q.ONE)) return false;
    return !hasCommonVariable(value) && isIrreducible(value) !== false;
  });
}

function hasCommonVariable(value: p.Polynomial): boolean {
  const [first, ...rest] = [...value.values()].map((term) => term.m.powers.map(([g]) => g));
  return first?.some((g) => rest.every((powers) => powers.includes(g))) ?? false;
}

/** Whether an answer, as written, has the form asked for (items.md, `data-form`). */
export function hasForm(node: MathNode, form: Form): boolean {
  switch (form) {
    case 'any':
      return true;
    case 'simplest':
      return isSimplest(node);
    case 'fraction':
      return isFraction(node);
    case 'mixed':
      return isMixed(node);
    case 'decimal':
      return isDecimal(node);
    case 'factored':
      return isFactored(node);
    case 'expanded':
      return node.t === 'rel' ? node.args.every(isExpanded) : isExpanded(node);
  }
}
