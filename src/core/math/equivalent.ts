import { exactValue } from './exact';
import { Field, Undefined, type Quotient } from './field';
import { hasForm, type Form } from './form';
import { ungroup, walkMath, type MathNode, type RelationOp } from './node';
import { agreeNumerically, evaluate, variablesOf } from './numeric';
import { parseMath } from './parse';
import * as p from './polynomial';
import * as q from './rational';
import { Unreadable } from './tokens';

export interface EquivalenceOptions {
  /** The form the answer must be written in. */
  readonly form?: Form;
  /** For values: the largest difference allowed. */
  readonly tolerance?: number;
}

/** What became of reading a text as mathematics. */
export type ReadMath =
  | { readonly ok: true; readonly node: MathNode; readonly variables: readonly string[] }
  | { readonly ok: false; readonly why: string };

/** Reads written maths; never throws. */
export function readMath(source: string): ReadMath {
  try {
    const node = parseMath(source);
    return { ok: true, node, variables: variablesOf(node) };
  } catch (error) {
    if (error instanceof Unreadable || error instanceof RangeError) return { ok: false, why: error.message };
    throw error;
  }
}

type Verdict = 'equal' | 'different' | 'unknown';

const attempt = <T>(compute: () => T): T | 'undefined' | 'too large' => {
  try {
    return compute();
  } catch (error) {
    if (error instanceof Undefined) return 'undefined';
    if (error instanceof q.TooLarge) return 'too large';
    if (error instanceof RangeError) return 'undefined';
    throw error;
  }
};

/** Proof by normal form; `unknown` where no normal form decides. */
function compareExactly(a: MathNode, b: MathNode): Verdict {
  const field = new Field();
  const result = attempt(() => field.equal(exactValue(a, field), exactValue(b, field)));
  if (result === 'undefined') return 'different';
  if (result === 'too large') return 'unknown';
  if (result) return 'equal';
  return field.certain ? 'different' : 'unknown';
}

const usesDegrees = (node: MathNode) => {
  const field = new Field();
  const value = attempt(() => exactValue(node, field));
  return (
    typeof value === 'object' && [...value.num.values()].some((t) => t.m.powers.some(([g]) => g === '°'))
  );
};

function sameExpression(a: MathNode, b: MathNode, tolerance: number): boolean {
  const verdict = compareExactly(a, b);
  if (verdict === 'equal') return true;
  const constant = variablesOf(a).length === 0 && variablesOf(b).length === 0;
  if (tolerance > 0 && constant) {
    if (usesDegrees(a) !== usesDegrees(b)) return false;
    const field = new Field();
    const exact = attempt(() => {
      const difference = field.asRational(
        field.add(exactValue(a, field), field.negate(exactValue(b, field))),
      );
      return difference && { difference };
    });
    if (typeof exact === 'object' && exact) {
      const size = Math.abs(q.toNumber(exact.difference));
      return size <= tolerance * (1 + 1e-12);
    }
    return Math.abs(evaluate(a, {}) - evaluate(b, {})) <= tolerance * (1 + 1e-12);
  }
  return verdict === 'unknown' && agreeNumerically(a, b);
}

const FLIPPED: Readonly<Record<RelationOp, RelationOp>> = {
  '=': '=',
  '!=': '!=',
  '<': '>',
  '>': '<',
  '<=': '>=',
  '>=': '<=',
};

interface Side {
  readonly op: RelationOp;
  /** left − right */
  readonly difference: MathNode;
}

/** `a < b <= c` as its steps, each with everything on one side and pointing the same way (`<`, `<=`). */
function sides(node: Extract<MathNode, { t: 'rel' }>): Side[] {
  return node.ops.flatMap((op, i) => {
    const [left, right] = [node.args[i], node.args[i + 1]];
    if (!left || !right) return [];
    const turned = op === '>' || op === '>=';
    const [a, b] = turned ? [right, left] : [left, right];
    return [
      {
        op: turned ? FLIPPED[op] : op,
        difference: { t: 'add' as const, args: [a, { t: 'neg' as const, arg: b }] },
      },
    ];
  });
}

const isVariable = (generator: string) =>
  !/^\d+$/.test(generator) && !['pi', 'e', '°'].includes(generator) && !generator.startsWith('@');

/** The part of a polynomial that stands with one product of variables. */
function coefficientsByVariables(polynomial: p.Polynomial): Map<string, p.Polynomial> {
  const groups = new Map<string, p.Term[]>();
  for (const term of polynomial.values()) {
    const variables = p.monomial(term.m.powers.filter(([g]) => isVariable(g)));
    const rest = p.monomial(term.m.powers.filter(([g]) => !isVariable(g)));
    groups.set(variables.key, [...(groups.get(variables.key) ?? []), { c: term.c, m: rest }]);
  }
  return new Map([...groups].map(([key, terms]) => [key, p.fromTerms(terms)]));
}

const valueOfConstant = (polynomial: p.Polynomial): number =>
  [...polynomial.values()].reduce((sum, { c, m }) => {
    const size = m.powers.reduce((product, [g, e]) => {
      const base = g === 'pi' ? Math.PI : g === 'e' ? Math.E : /^\d+$/.test(g) ? Number(g) : NaN;
      return product * Math.pow(base, q.toNumber(e));
    }, 1);
    return sum + q.toNumber(c) * size;
  }, 0);

/** The sign of c in a = c·b for two coefficients; null when it is not known. */
function signOfRatio(a: p.Polynomial, b: p.Polynomial): number | null {
  const ratio = valueOfConstant(a) / valueOfConstant(b);
  if (Number.isFinite(ratio) && ratio !== 0) return Math.sign(ratio);
  // Kernels (a logarithm, a root of a sum) have no value of their own; one is the other times a number, or nothing is known.
  const [first] = p.ordered(b);
  const same = first && a.get(first.m.key);
  if (!first || !same) return null;
  const c = q.divide(same.c, first.c);
  return p.isZero(p.subtract(a, p.scale(b, c))) ? q.sign(c) : null;
}

/**
 * The constant c with a = c·b as a sign, 0 when there is none, `unknown` when no normal form decides.
 */
function constantFactor(a: Quotient, b: Quotient, field: Field): number | 'unknown' {
  const left = field.times(a.num, b.den);
  const right = field.times(b.num, a.den);
  if (p.isZero(left) || p.isZero(right)) return p.isZero(left) && p.isZero(right) ? 1 : 0;
  const lefts = coefficientsByVariables(left);
  let proven = false;
  for (const [key, rightPart] of coefficientsByVariables(right)) {
    const leftPart = lefts.get(key);
    if (!leftPart) return field.certain ? 0 : 'unknown';
    if (!proven && !field.samePolynomial(field.times(left, rightPart), field.times(right, leftPart))) {
      return field.certain ? 0 : 'unknown';
    }
    // One part suffices for the proof; whichever part tells the sign may say it.
    proven = true;
    const sign = signOfRatio(leftPart, rightPart);
    if (sign !== null) return sign;
  }
  return 'unknown';
}

/** The same by numbers: a agrees everywhere with b times their ratio at one point where both have a value. */
function numericFactor(a: MathNode, b: MathNode): number {
  const variables = [...new Set([...variablesOf(a), ...variablesOf(b)])];
  for (const start of [0.7, 1.9, 3.3, -0.6, -2.7, 11]) {
    const at = Object.fromEntries(variables.map((name, i) => [name, start + i * 0.61]));
    const ratio = evaluate(a, at) / evaluate(b, at);
    if (!Number.isFinite(ratio) || ratio === 0) continue;
    const scaled: MathNode = { t: 'mul', args: [evaluateAsNode(ratio), b] };
    return agreeNumerically(a, scaled) ? Math.sign(ratio) : 0;
  }
  return 0;
}

const evaluateAsNode = (value: number): MathNode => {
  const [mantissa = '0', exponent = '0'] = Math.abs(value).toExponential(15).split('e');
  const scale = q.power(q.rational(10), Number(exponent));
  const size = q.multiply(q.fromDecimal(mantissa), scale);
  return { t: 'num', value: value < 0 ? q.negate(size) : size, written: 'decimal' };
};

function sameRelation(a: Side, b: Side): boolean {
  if (a.op !== b.op) return false;
  const field = new Field();
  const factor = attempt(() =>
    constantFactor(exactValue(a.difference, field), exactValue(b.difference, field), field),
  );
  if (factor === 'undefined') return false;
  const sign = typeof factor === 'number' ? factor : numericFactor(a.difference, b.difference);
  return a.op === '=' || a.op === '!=' ? sign !== 0 : sign > 0;
}

/**
 * Whether an answer is the reference, by the rules of `able.math.equivalent` in items.md: values equal exactly (or
 * within the tolerance), expressions equal as functions, equations and inequalities the same after everything moves to
 * one side; and the answer, as written, has the asked form. Unreadable answers are false. Never throws.
 */
export function equivalent(answer: string, reference: string, options: EquivalenceOptions = {}): boolean {
  const [given, wanted] = [readMath(answer), readMath(reference)];
  if (!given.ok || !wanted.ok) return false;
  const [a, b] = [ungroup(given.node), ungroup(wanted.node)];
  if ([...walkMath(a), ...walkMath(b)].some((node) => node.t === 'infinity')) return false;
  if (!hasForm(a, options.form ?? 'any')) return false;
  if (a.t === 'rel' || b.t === 'rel') {
    if (a.t !== 'rel' || b.t !== 'rel') return false;
    const [left, right] = [sides(a), sides(b)];
    if (left.length !== right.length) return false;
    const rest = [...right];
    return left.every((side) => {
      const at = rest.findIndex((other) => sameRelation(side, other));
      if (at >= 0) rest.splice(at, 1);
      return at >= 0;
    });
  }
  return sameExpression(a, b, options.tolerance ?? 0);
}
