import type { FunctionName } from './node';
import * as p from './polynomial';
import type { Polynomial, Term } from './polynomial';
import * as q from './rational';
import type { Rational } from './rational';

/** A quotient of polynomials: the exact value of an expression. */
export interface Quotient {
  readonly num: Polynomial;
  readonly den: Polynomial;
}

/** The expression has no value (division by zero, even root of a negative number, …). */
export class Undefined extends Error {}

type Kernel =
  | { readonly kind: 'radicand'; readonly of: Polynomial }
  | { readonly kind: 'abs'; readonly of: Polynomial }
  | {
      readonly kind: 'fn';
      readonly name: FunctionName | 'power';
      readonly of: Quotient;
      readonly second: Quotient | null;
    };

const TWO = q.rational(2);
const ONE_POLY = p.constant(q.ONE);

/**
 * Exact arithmetic for one comparison. Roots of numbers become roots of primes, which are independent over the
 * rationals (Besicovitch 1940, from memory), so sums of them are equal only when they are the same sum. Anything else
 * that is not rational (a root of a sum, a logarithm) becomes a *kernel*: a new generator, found again when the same
 * argument comes back. Kernels may depend on one another in ways not known here, so once one is in play `certain`
 * is false: equal is still proven by equality, but unequal is not.
 */
export class Field {
  private readonly kernels: Kernel[] = [];
  private work = 0;

  /** False once a kernel is in play: then "not the same normal form" does not prove "different". */
  get certain(): boolean {
    return this.kernels.length === 0;
  }

  readonly constant = (c: Rational): Quotient => ({ num: p.constant(c), den: ONE_POLY });
  readonly generator = (name: string): Quotient => ({ num: p.generator(name), den: ONE_POLY });

  add(a: Quotient, b: Quotient): Quotient {
    if (a.den === b.den || this.samePolynomial(a.den, b.den)) return { num: p.add(a.num, b.num), den: a.den };
    return {
      num: p.add(this.times(a.num, b.den), this.times(b.num, a.den)),
      den: this.times(a.den, b.den),
    };
  }
  negate(a: Quotient): Quotient {
    return { num: p.scale(a.num, q.rational(-1)), den: a.den };
  }
  multiply(a: Quotient, b: Quotient): Quotient {
    return this.simplify({ num: this.times(a.num, b.num), den: this.times(a.den, b.den) });
  }
  divide(a: Quotient, b: Quotient): Quotient {
    if (p.isZero(b.num)) throw new Undefined('division by zero');
    return this.multiply(a, { num: b.den, den: b.num });
  }
  equal(a: Quotient, b: Quotient): boolean {
    return this.samePolynomial(this.times(a.num, b.den), this.times(b.num, a.den));
  }
  asRational(a: Quotient): Rational | null {
    const n = p.asRational(a.num);
    const d = p.asRational(a.den);
    return n && d ? q.divide(n, d) : null;
  }

  samePolynomial(a: Polynomial, b: Polynomial): boolean {
    return p.isZero(p.subtract(a, b));
  }

  /** A denominator of one term goes up into the numerator with negative exponents. */
  private simplify(a: Quotient): Quotient {
    const [only, more] = [...a.den.values()];
    if (!only || more || (only.m.key === '' && q.equals(only.c, q.ONE))) return a;
    const inverse: Term = {
      c: q.divide(q.ONE, only.c),
      m: p.monomial(only.m.powers.map(([g, e]) => [g, q.negate(e)] as const)),
    };
    if (only.m.powers.some(([g]) => g.startsWith('@'))) return a;
    return { num: this.times(a.num, p.fromTerms([inverse])), den: ONE_POLY };
  }

  /** The product of two polynomials, roots and kernels reduced. @throws TooLarge */
  times(a: Polynomial, b: Polynomial): Polynomial {
    this.work += a.size * b.size;
    if (this.work > 5_000) throw new q.TooLarge();
    let result: Polynomial = new Map();
    const plain: Term[] = [];
    for (const left of a.values()) {
      for (const right of b.values()) {
        const term = { c: q.multiply(left.c, right.c), m: p.multiplyMonomials(left.m, right.m) };
        const reduced = this.reduce(term);
        if ('m' in reduced) plain.push(reduced);
        else result = p.add(result, reduced);
      }
    }
    return p.add(result, p.fromTerms(plain));
  }

  /** 2^(3/2) → 2·2^(1/2); a root's whole part multiplies out; sin² → 1 − cos². */
  private reduce(term: Term): Term | Polynomial {
    let { c } = term;
    const kept: [string, Rational][] = [];
    const factors: Polynomial[] = [];
    for (const [name, exponent] of term.m.powers) {
      const whole = Number(q.floor(exponent));
      if (/^\d+$/.test(name) && whole !== 0) {
        c = q.multiply(c, q.power(q.rational(BigInt(name)), whole));
        kept.push([name, q.subtract(exponent, q.rational(whole))]);
        continue;
      }
      const kernel = name.startsWith('@') ? this.kernels[Number(name.slice(1))] : undefined;
      const step = kernel?.kind === 'radicand' ? 1 : 2;
      const rule = kernel && whole >= step ? this.square(kernel) : null;
      if (!rule) {
        kept.push([name, exponent]);
        continue;
      }
      const times = Math.floor(whole / step);
      kept.push([name, q.subtract(exponent, q.rational(times * step))]);
      for (let i = 0; i < times; i += 1) factors.push(rule);
    }
    const rest: Term = { c, m: p.monomial(kept) };
    if (factors.length === 0) return rest;
    return factors.reduce<Polynomial>((product, factor) => this.times(product, factor), p.fromTerms([rest]));
  }

  /** What a kernel (radicand) or its square (|u|, sin) is, or null when nothing is known. */
  private square(kernel: Kernel): Polynomial | null {
    if (kernel.kind === 'radicand') return kernel.of;
    if (kernel.kind === 'abs') return this.times(kernel.of, kernel.of);
    if (kernel.name !== 'sin') return null;
    const cosine = this.kernel({ ...kernel, name: 'cos' });
    return p.subtract(ONE_POLY, this.times(cosine, cosine));
  }

  private sameKernel(a: Kernel, b: Kernel): boolean {
    if (a.kind === 'fn' || b.kind === 'fn') {
      if (a.kind !== 'fn' || b.kind !== 'fn' || a.name !== b.name || !this.equal(a.of, b.of)) return false;
      return a.second === null || b.second === null ? a.second === b.second : this.equal(a.second, b.second);
    }
    return a.kind === b.kind && this.samePolynomial(a.of, b.of);
  }

  private kernel(kernel: Kernel, exponent: Rational = q.ONE): Polynomial {
    let index = this.kernels.findIndex((other) => this.sameKernel(kernel, other));
    if (index < 0) {
      if (this.kernels.length >= 40) throw new q.TooLarge();
      index = this.kernels.push(kernel) - 1;
    }
    return p.generator(`@${index}`, exponent);
  }

  /** A function of an argument about which nothing more is known than the argument. */
  opaque(name: FunctionName | 'power', of: Quotient, second: Quotient | null = null): Quotient {
    return { num: this.kernel({ kind: 'fn', name, of, second }), den: ONE_POLY };
  }

  /** A whole power. @throws TooLarge, Undefined */
  wholePower(a: Quotient, k: number): Quotient {
    if (k < 0) {
      if (p.isZero(a.num)) throw new Undefined('zero to a negative power');
      return this.wholePower({ num: a.den, den: a.num }, -k);
    }
    const value = this.asRational(a);
    if (value) return this.constant(q.power(value, k));
    if (k > 1000) throw new q.TooLarge();
    const raise = (base: Polynomial): Polynomial => {
      const [only, more] = [...base.values()];
      if (only && !more) {
        const e = q.rational(k);
        const m = p.monomial(only.m.powers.map(([g, x]) => [g, q.multiply(x, e)] as const));
        const reduced = this.reduce({ c: q.power(only.c, k), m });
        return 'm' in reduced ? p.fromTerms([reduced]) : reduced;
      }
      if (k > 60) throw new q.TooLarge();
      let result = ONE_POLY;
      for (let i = 0; i < k; i += 1) result = this.times(result, base);
      return result;
    };
    return this.simplify({ num: raise(a.num), den: raise(a.den) });
  }

  /** The real n-th root. @throws Undefined for an even root of a negative number; TooLarge */
  root(a: Quotient, n: number): Quotient {
    if (n < 1 || n > 100) throw new q.TooLarge();
    if (n === 1 || p.isZero(a.num)) return a;
    let radicand = a.num;
    for (let i = 1; i < n; i += 1) radicand = this.times(radicand, a.den);
    return this.simplify({ num: this.rootOf(radicand, n), den: a.den });
  }

  private rootOf(radicand: Polynomial, n: number): Polynomial {
    const terms = [...radicand.values()];
    const [only] = terms;
    const exponent = q.rational(1, n);
    if (only && terms.length === 1 && !only.m.powers.some(([g]) => g.startsWith('@'))) {
      const negative = q.sign(only.c) < 0;
      const numeric = only.m.powers.every(([g]) => /^\d+$/.test(g) || g === 'pi' || g === 'e');
      if (negative && n % 2 === 0 && numeric) throw new Undefined('even root of a negative number');
      if (!negative || n % 2 === 1) {
        const size = numericRoot(negative ? q.negate(only.c) : only.c, n);
        const rooted = only.m.powers.reduce<Polynomial>(
          (product, [g, e]) => {
            return this.times(product, this.rootOfGenerator(g, e, n));
          },
          this.times(ONE_POLY, size),
        );
        return negative ? p.scale(rooted, q.rational(-1)) : rooted;
      }
    }
    const size = p.content(radicand);
    const primitive = p.scale(radicand, q.divide(q.ONE, size));
    return this.times(numericRoot(size, n), this.kernel({ kind: 'radicand', of: primitive }, exponent));
  }

  /** The n-th root of g^e, with |g| where an even power comes out odd. */
  private rootOfGenerator(g: string, e: Rational, n: number): Polynomial {
    const result = q.divide(e, q.rational(n));
    const positive = /^\d+$/.test(g) || g === 'pi' || g === 'e';
    const even = n % 2 === 0 && q.isInteger(e) && e.n % 2n === 0n;
    const comesOutEven = q.isInteger(result) && result.n % 2n === 0n;
    if (positive || !even || comesOutEven) {
      const reduced = this.reduce({ c: q.ONE, m: p.monomial([[g, result]]) });
      return 'm' in reduced ? p.fromTerms([reduced]) : reduced;
    }
    return this.kernel({ kind: 'abs', of: p.generator(g) }, result);
  }

  /** |a|, by the sign where it is known. */
  abs(a: Quotient): Quotient {
    const value = this.asRational(a);
    if (value) return this.constant(q.sign(value) < 0 ? q.negate(value) : value);
    const one = (poly: Polynomial): Polynomial => {
      const c = p.asRational(poly);
      if (c) return p.constant(q.sign(c) < 0 ? q.negate(c) : c);
      const size = p.content(poly);
      const [first] = p.ordered(poly);
      const factor = first && q.sign(first.c) < 0 ? q.negate(size) : size;
      return p.scale(this.kernel({ kind: 'abs', of: p.scale(poly, q.divide(q.ONE, factor)) }), size);
    };
    return { num: one(a.num), den: one(a.den) };
  }

  /** sqrt 2, for the tables of sines. */
  rootOfNumber(k: number): Quotient {
    return this.root(this.constant(q.rational(k)), Number(TWO.n));
  }
}

/** Prime factors with their exponents. @throws TooLarge when a factor is too large to find */
function factorise(n: bigint): Map<bigint, number> {
  const factors = new Map<bigint, number>();
  let rest = n;
  for (let prime = 2n; prime * prime <= rest; prime += prime === 2n ? 1n : 2n) {
    if (prime > 20_000n) throw new q.TooLarge();
    while (rest % prime === 0n) {
      factors.set(prime, (factors.get(prime) ?? 0) + 1);
      rest /= prime;
    }
  }
  if (rest > 1n) factors.set(rest, (factors.get(rest) ?? 0) + 1);
  return factors;
}

/** The n-th root of a positive rational number as coefficient × roots of primes. */
function numericRoot(value: Rational, n: number): Polynomial {
  let c = q.ONE;
  const powers: [string, Rational][] = [];
  const exponents = new Map<bigint, number>();
  for (const [prime, e] of factorise(value.n)) exponents.set(prime, e);
  for (const [prime, e] of factorise(value.d)) exponents.set(prime, (exponents.get(prime) ?? 0) - e);
  for (const [prime, e] of exponents) {
    const whole = Math.floor(e / n);
    c = q.multiply(c, q.power(q.rational(prime), whole));
    powers.push([String(prime), q.rational(e - whole * n, n)]);
  }
  return p.fromTerms([{ c, m: p.monomial(powers) }]);
}
