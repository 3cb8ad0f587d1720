import { exactValue } from './exact';
import { Field, Undefined } from './field';
import type { MathNode } from './node';
import { evaluate } from './numeric';
import * as p from './polynomial';
import * as q from './rational';
import type { Rational } from './rational';

/** What an expression without variables is worth. */
export type Worth =
  | {
      readonly ok: true;
      /** Exactly, where it is a fraction. */
      readonly rational: Rational | null;
      /** Exactly, as it would be written with roots, π and e; null where it has no short form of that kind. */
      readonly written: MathNode | null;
      /** The nearest float; infinite where a float does not reach (then `rational` is what it is). */
      readonly number: number;
    }
  | { readonly ok: false; readonly why: 'by-zero' | 'no-value' | 'too-large' };

/** Terms of a sum with roots that can still be taken in at a glance. */
const MOST_TERMS = 3;

/** What an expression is worth, exactly where that can be said in a short form. Never throws. */
export function worth(node: MathNode): Worth {
  const number = evaluate(node, {});
  try {
    const field = new Field();
    const value = exactValue(node, field);
    const rational = field.asRational(value);
    if (rational) return { ok: true, rational, written: numberNode(rational), number: q.toNumber(rational) };
    const written = field.certain && p.asRational(value.den) ? sumNode(value.num, value.den) : null;
    return numeric(number, written);
  } catch (error) {
    if (error instanceof Undefined)
      return {
        ok: false,
        why: /division by zero|zero to a negative/.test(error.message) ? 'by-zero' : 'no-value',
      };
    if (error instanceof RangeError) return { ok: false, why: 'by-zero' };
    if (error instanceof q.TooLarge) return numeric(number, null);
    throw error;
  }
}

function numeric(number: number, written: MathNode | null): Worth {
  if (Number.isNaN(number)) return { ok: false, why: 'no-value' };
  if (!Number.isFinite(number)) return { ok: false, why: 'too-large' };
  return { ok: true, rational: null, written, number };
}

const whole = (value: bigint): MathNode => ({ t: 'num', value: q.rational(value), written: 'integer' });

/** A fraction in lowest terms, its sign in front. */
function numberNode(value: Rational): MathNode {
  if (q.sign(value) < 0) return { t: 'neg', arg: numberNode(q.negate(value)) };
  return value.d === 1n
    ? whole(value.n)
    : { t: 'div', a: whole(value.n), b: whole(value.d), written: 'fraction' };
}

/** A short sum of roots, π and e over a number: `2√2`, `(√2)/2`, `π/6 + 1`. */
function sumNode(num: p.Polynomial, den: p.Polynomial): MathNode | null {
  const below = p.asRational(den) ?? q.ONE;
  const terms = p.ordered(num).map((term) => ({ ...term, c: q.divide(term.c, below) }));
  if (terms.length > MOST_TERMS) return null;
  const nodes = terms.map(({ c, m }) => termNode(c, m));
  if (nodes.some((node) => node === null)) return null;
  const args = nodes.filter((node) => node !== null);
  const [only] = args;
  return args.length === 1 && only ? only : { t: 'add', args };
}

/** A coefficient times roots and constants; null where a power is none that is written with a root sign. */
function termNode(c: Rational, m: p.Monomial): MathNode | null {
  if (q.sign(c) < 0) {
    const positive = termNode(q.negate(c), m);
    return positive && { t: 'neg', arg: positive };
  }
  const roots = new Map<bigint, bigint>();
  const factors: MathNode[] = [];
  for (const [name, exponent] of m.powers) {
    if (/^\d+$/.test(name)) {
      if (exponent.n < 0n || exponent.n > 20n) return null;
      roots.set(exponent.d, (roots.get(exponent.d) ?? 1n) * BigInt(name) ** exponent.n);
    } else if (name === 'pi' || name === 'e') {
      if (exponent.d !== 1n || exponent.n < 0n) return null;
      const base: MathNode = { t: 'const', name };
      factors.push(exponent.n === 1n ? base : { t: 'pow', base, exponent: whole(exponent.n) });
    } else return null;
  }
  for (const [index, radicand] of roots)
    factors.push({ t: 'root', index: whole(index), arg: whole(radicand) });
  const top = c.n === 1n && factors.length > 0 ? factors : [whole(c.n), ...factors];
  const [first] = top;
  const product: MathNode = top.length === 1 && first ? first : { t: 'mul', args: top };
  return c.d === 1n ? product : { t: 'div', a: product, b: whole(c.d), written: 'fraction' };
}
