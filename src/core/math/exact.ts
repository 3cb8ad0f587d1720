import { Undefined, type Field, type Quotient } from './field';
import { ungroup, type MathNode } from './node';
import * as p from './polynomial';
import * as q from './rational';

/** The exact value of an expression. @throws TooLarge, Undefined */
export function exactValue(node: MathNode, field: Field): Quotient {
  const of = (inner: MathNode) => exactValue(inner, field);
  switch (node.t) {
    case 'num':
      return field.constant(node.value);
    case 'var':
      return field.generator(node.name);
    case 'const':
      return field.generator(node.name);
    case 'infinity':
      throw new Undefined('infinity is not a number');
    case 'rel':
      throw new Undefined('a relation has no value');
    case 'group':
      return of(node.arg);
    case 'neg':
      return field.negate(of(node.arg));
    case 'percent':
      return field.multiply(of(node.arg), field.constant(q.rational(1, 100)));
    case 'degrees':
      return field.multiply(of(node.arg), field.generator('°'));
    case 'mixed':
      return field.constant(q.add(q.rational(node.whole), q.rational(node.n, node.d)));
    case 'add':
      return node.args.map(of).reduce((a, b) => field.add(a, b));
    case 'mul':
      return node.args.map(of).reduce((a, b) => field.multiply(a, b));
    case 'div':
      return field.divide(of(node.a), of(node.b));
    case 'root':
      return field.root(of(node.arg), wholeNumber(of(node.index), field));
    case 'pow':
      return power(of(node.base), of(node.exponent), field);
    case 'fn':
      return functionValue(node, field);
  }
}

function wholeNumber(value: Quotient, field: Field): number {
  const number = field.asRational(value);
  if (!number || !q.isInteger(number)) throw new q.TooLarge();
  return Number(number.n);
}

function power(base: Quotient, exponent: Quotient, field: Field): Quotient {
  const e = field.asRational(exponent);
  if (e) {
    if (q.sign(e) < 0 && p.isZero(base.num)) throw new Undefined('zero to a negative power');
    if (e.d > 100n || e.n > 100_000n || e.n < -100_000n) throw new q.TooLarge();
    return field.wholePower(field.root(base, Number(e.d)), Number(e.n));
  }
  if (p.asRational(exponent.den) === null) return field.opaque('power', base, exponent);
  // b^(2x+1) = (b^x)^2 · b: one kernel for each term of the exponent, its coefficient outside.
  const scaleDown = q.divide(q.ONE, p.asRational(exponent.den) ?? q.ONE);
  return [...exponent.num.values()]
    .map((term) => {
      const c = q.multiply(term.c, scaleDown);
      if (term.m.key === '') return power(base, field.constant(c), field);
      const kernel = primePowers(
        base,
        { num: p.fromTerms([{ c: q.ONE, m: term.m }]), den: p.constant(q.ONE) },
        field,
      );
      return power(kernel, field.constant(c), field);
    })
    .reduce((a, b) => field.multiply(a, b));
}

/** 6^x as 2^x·3^x and 4^x as (2^x)^2, so that equal towers look equal. */
function primePowers(base: Quotient, exponent: Quotient, field: Field): Quotient {
  const value = field.asRational(base);
  if (!value || q.sign(value) <= 0 || value.n > 1_000_000n || value.d > 1_000_000n) {
    return field.opaque('power', base, exponent);
  }
  let result = field.constant(q.ONE);
  for (const [part, direction] of [
    [Number(value.n), 1],
    [Number(value.d), -1],
  ] as const) {
    let rest = part;
    for (let prime = 2; rest > 1; prime += 1) {
      let count = 0;
      for (; rest % prime === 0; rest /= prime) count += 1;
      if (count === 0) continue;
      const kernel = field.opaque('power', field.constant(q.rational(prime)), exponent);
      result = field.multiply(result, field.wholePower(kernel, count * direction));
    }
  }
  return result;
}

/** The multiple of π an angle is: from degrees, or a rational times π. */
function turnsOfPi(angle: Quotient): q.Rational | null {
  if (p.isZero(angle.num)) return q.ZERO;
  const [term, more] = [...angle.num.values()];
  const den = p.asRational(angle.den);
  if (!term || more || !den) return null;
  const c = q.divide(term.c, den);
  if (term.m.key === '°^1/1') return q.divide(c, q.rational(180));
  return term.m.key === 'pi^1/1' ? c : null;
}

/** sin(kπ/12) for the angles whose sine is a single surd: multiples of 30° and 45°. */
function exactSine(turns: q.Rational, field: Field): Quotient | null {
  const twelfths = q.multiply(turns, q.rational(12));
  if (!q.isInteger(twelfths)) return null;
  const k = Number(((twelfths.n % 24n) + 24n) % 24n);
  const half = (value: Quotient) => field.multiply(value, field.constant(q.rational(1, 2)));
  const table: Readonly<Record<number, Quotient>> = {
    0: field.constant(q.ZERO),
    2: field.constant(q.rational(1, 2)),
    3: half(field.rootOfNumber(2)),
    4: half(field.rootOfNumber(3)),
    6: field.constant(q.ONE),
  };
  const upper = k >= 12 ? k - 12 : k;
  const value = table[upper > 6 ? 12 - upper : upper];
  if (!value) return null;
  return k >= 12 ? field.negate(value) : value;
}

function functionValue(node: Extract<MathNode, { t: 'fn' }>, field: Field): Quotient {
  const arg = exactValue(node.arg, field);
  const one = field.constant(q.ONE);
  const turns = turnsOfPi(arg);
  const sine = (of: Quotient, shift: q.Rational): Quotient => {
    const exact = turns && exactSine(q.add(turns, shift), field);
    if (exact) return exact;
    const [first] = p.ordered(of.num);
    const flipped = first !== undefined && q.sign(first.c) < 0;
    const cosine = !q.isZero(shift);
    const kernel = field.opaque(cosine ? 'cos' : 'sin', inDegrees(flipped ? field.negate(of) : of, field));
    return flipped && !cosine ? field.negate(kernel) : kernel;
  };
  const sin = () => sine(arg, q.ZERO);
  const cos = () => sine(arg, q.rational(1, 2));
  switch (node.name) {
    case 'abs':
      return field.abs(arg);
    case 'exp':
      return power(field.generator('e'), arg, field);
    case 'sin':
      return sin();
    case 'cos':
      return cos();
    case 'tan':
      return field.divide(sin(), cos());
    case 'cot':
      return field.divide(cos(), sin());
    case 'sec':
      return field.divide(one, cos());
    case 'csc':
      return field.divide(one, sin());
    case 'ln':
      return logarithm(arg, field);
    case 'log': {
      const base = node.base ? exactValue(ungroup(node.base), field) : field.constant(q.rational(10));
      return field.divide(logarithm(arg, field), logarithm(base, field));
    }
    default:
      return field.opaque(node.name, arg);
  }
}

/** Degrees inside a function become radians, so that sin(20°) and sin(π/9) are one kernel. */
function inDegrees(angle: Quotient, field: Field): Quotient {
  const terms = [...angle.num.values()];
  if (!terms.some((term) => term.m.powers.some(([g]) => g === '°'))) return angle;
  const num = p.fromTerms(
    terms.map((term) => ({
      c: q.divide(term.c, q.rational(180)),
      m: p.multiplyMonomials(
        p.monomial(term.m.powers.filter(([g]) => g !== '°')),
        p.generator('pi').values().next().value?.m ?? p.UNIT,
      ),
    })),
  );
  return field.multiply({ num, den: angle.den }, field.constant(q.ONE));
}

/** ln of a number as a sum over its primes; ln e = 1. @throws Undefined for zero and negative numbers */
function logarithm(arg: Quotient, field: Field): Quotient {
  const value = field.asRational(arg);
  if (value) {
    if (q.sign(value) <= 0) throw new Undefined('a logarithm of a number that is not positive');
    let sum = field.constant(q.ZERO);
    for (const [part, direction] of [
      [value.n, 1],
      [value.d, -1],
    ] as const) {
      let rest = part;
      for (let prime = 2n; rest > 1n; prime += 1n) {
        if (prime > 20_000n) throw new q.TooLarge();
        if (prime * prime > rest) prime = rest;
        let count = 0;
        for (; rest % prime === 0n; rest /= prime) count += 1;
        if (count === 0) continue;
        const kernel = field.opaque('ln', field.constant(q.rational(prime)));
        sum = field.add(sum, field.multiply(kernel, field.constant(q.rational(count * direction))));
      }
    }
    return sum;
  }
  const [term, more] = [...arg.num.values()];
  if (term && !more && p.asRational(arg.den) && term.m.powers.length === 1 && q.equals(term.c, q.ONE)) {
    const [power] = term.m.powers;
    if (power?.[0] === 'e' && field.equal(arg, { num: arg.num, den: p.constant(q.ONE) }))
      return field.constant(power[1]);
  }
  return field.opaque('ln', arg);
}
