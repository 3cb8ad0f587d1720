import type { Polynomial } from './polynomial';

/**
 * Whether polynomials split over the rational numbers. Several variables become powers of one (Kronecker's substitution); one
 * variable is factored modulo a prime larger than twice any coefficient a factor can have (Mignotte's bound), so that true factors
 * are products of the modular ones and nothing has to be lifted (Zassenhaus; Cantor and Zassenhaus 1981 for the modular part; all
 * from memory). Coefficients are lists of bigints, lowest power first.
 */
type Poly = readonly bigint[];

/** Largest degree after substitution, and most modular factors tried together: beyond that nothing is decided. */
const MOST = { degree: 48, factors: 12 } as const;
/** Mersenne primes. */
const PRIMES = [31n, 61n, 89n, 127n, 521n].map((e) => (1n << e) - 1n);

const trim = (a: Poly): Poly => {
  let n = a.length;
  while (n > 0 && a[n - 1] === 0n) n -= 1;
  return n === a.length ? a : a.slice(0, n);
};
const degree = (a: Poly): number => a.length - 1;
const lead = (a: Poly): bigint => a.at(-1) ?? 0n;
const abs = (n: bigint): bigint => (n < 0n ? -n : n);
const gcd = (a: bigint, b: bigint): bigint => {
  let [x, y] = [abs(a), abs(b)];
  while (y > 0n) [x, y] = [y, x % y];
  return x;
};
const primitive = (a: Poly): Poly => {
  const content = a.reduce(gcd, 0n);
  return content > 1n ? a.map((c) => c / content) : a;
};
const multiply = (a: Poly, b: Poly): Poly => {
  const out = Array.from({ length: Math.max(0, a.length + b.length - 1) }, () => 0n);
  a.forEach((x, i) => b.forEach((y, j) => (out[i + j] = (out[i + j] ?? 0n) + x * y)));
  return trim(out);
};
const derivative = (a: Poly): Poly => trim(a.slice(1).map((c, i) => c * BigInt(i + 1)));

/** a / b over the whole numbers; null when it does not go. */
function divideExactly(a: Poly, b: Poly): Poly | null {
  const rest = [...a];
  const out: bigint[] = [];
  for (let k = degree(a) - degree(b); k >= 0; k -= 1) {
    const top = rest[k + degree(b)] ?? 0n;
    if (top % lead(b) !== 0n) return null;
    const c = top / lead(b);
    out[k] = c;
    b.forEach((y, j) => (rest[k + j] = (rest[k + j] ?? 0n) - c * y));
  }
  return rest.every((c) => c === 0n) ? trim(out) : null;
}

/** Greatest common divisor over the rational numbers, primitive (Euclid with pseudo-remainders). */
function polyGcd(a: Poly, b: Poly): Poly {
  let [x, y] = [primitive(trim(a)), primitive(trim(b))];
  if (degree(x) < degree(y)) [x, y] = [y, x];
  while (y.length > 0) {
    let rest = x;
    while (degree(rest) >= degree(y) && rest.length > 0) {
      const shift = degree(rest) - degree(y);
      const [p, q] = [lead(y), lead(rest)];
      rest = trim(rest.map((c, i) => c * p - (i >= shift ? (y[i - shift] ?? 0n) * q : 0n)));
    }
    [x, y] = [y, primitive(rest)];
  }
  return x;
}

/** Multiplications one decision may cost: a few hundredths of a second. Beyond that nothing is decided. */
const MOST_WORK = 120_000;
class TooMuch extends Error {}

/** Polynomials modulo a prime. */
class Modular {
  private work = 0;
  constructor(private readonly p: bigint) {}
  private norm = (n: bigint): bigint => ((n % this.p) + this.p) % this.p;
  of = (a: Poly): Poly => trim(a.map(this.norm));
  power(base: bigint, exponent: bigint): bigint {
    let [result, b, e] = [1n, this.norm(base), exponent];
    for (; e > 0n; e >>= 1n) {
      if (e & 1n) result = (result * b) % this.p;
      b = (b * b) % this.p;
    }
    return result;
  }
  monic(a: Poly): Poly {
    const inverse = this.power(lead(a), this.p - 2n);
    return a.map((c) => this.norm(c * inverse));
  }
  divide(a: Poly, b: Poly): { quotient: Poly; rest: Poly } {
    const inverse = this.power(lead(b), this.p - 2n);
    const rest = [...a];
    const out: bigint[] = [];
    for (let k = degree(a) - degree(b); k >= 0; k -= 1) {
      const c = this.norm((rest[k + degree(b)] ?? 0n) * inverse);
      out[k] = c;
      if (c !== 0n) b.forEach((y, j) => (rest[k + j] = this.norm((rest[k + j] ?? 0n) - c * y)));
    }
    return { quotient: trim(out), rest: trim(rest.slice(0, Math.max(0, degree(b)))) };
  }
  gcd(a: Poly, b: Poly): Poly {
    let [x, y] = [a, b];
    while (y.length > 0) [x, y] = [y, this.divide(x, y).rest];
    return x.length > 0 ? this.monic(x) : x;
  }
  times(a: Poly, b: Poly, modulus: Poly): Poly {
    this.work += a.length * b.length;
    if (this.work > MOST_WORK) throw new TooMuch();
    return this.divide(this.of(multiply(a, b)), modulus).rest;
  }
  /** base^exponent modulo a polynomial. */
  powerOf(base: Poly, exponent: bigint, modulus: Poly): Poly {
    let result: Poly = [1n];
    let b = this.divide(base, modulus).rest;
    for (let e = exponent; e > 0n; e >>= 1n) {
      if (e & 1n) result = this.times(result, b, modulus);
      b = this.times(b, b, modulus);
    }
    return result;
  }
  minus = (a: Poly, b: Poly): Poly =>
    this.of(Array.from({ length: Math.max(a.length, b.length) }, (_, i) => (a[i] ?? 0n) - (b[i] ?? 0n)));

  /** The irreducible factors of a square-free polynomial, monic. */
  factor(f: Poly): Poly[] {
    const found: Poly[] = [];
    let rest = this.monic(f);
    let x: Poly = [0n, 1n];
    for (let d = 1; 2 * d <= degree(rest); d += 1) {
      x = this.powerOf(x, this.p, rest);
      const part = this.gcd(rest, this.minus(x, [0n, 1n]));
      if (degree(part) > 0) {
        found.push(...this.split(part, d));
        rest = this.divide(rest, part).quotient;
        x = this.divide(x, rest).rest;
      }
    }
    if (degree(rest) > 0) found.push(rest);
    return found;
  }
  /** Splits a product of factors that all have degree d. */
  private split(f: Poly, d: number): Poly[] {
    if (degree(f) === d) return [f];
    const exponent = (this.p ** BigInt(d) - 1n) / 2n;
    for (let seed = 1n; ; seed += 1n) {
      const trial = Array.from({ length: degree(f) }, (_, i) =>
        this.norm((seed + BigInt(i)) ** 3n + seed * 7919n),
      );
      const part = this.gcd(f, this.minus(this.powerOf(trim(trial), exponent, f), [1n]));
      if (degree(part) > 0 && degree(part) < degree(f))
        return [...this.split(part, d), ...this.split(this.divide(f, part).quotient, d)];
    }
  }
}

/** Whole number not below the square root. */
const rootAbove = (n: bigint): bigint => {
  let x = 1n;
  while (x * x < n) x *= 2n;
  return x;
};

/** The factors of a square-free primitive polynomial over the rational numbers; null when it is too large. */
function factorSquareFree(f: Poly): Poly[] | null {
  if (degree(f) < 2) return [f];
  const size = rootAbove(f.reduce((sum, c) => sum + c * c, 0n));
  const bound = 2n * 2n ** BigInt(degree(f)) * size * abs(lead(f));
  const p = PRIMES.find(
    (prime) =>
      prime > bound &&
      lead(f) % prime !== 0n &&
      degree(new Modular(prime).gcd(new Modular(prime).of(f), new Modular(prime).of(derivative(f)))) === 0,
  );
  if (p === undefined) return null;
  const modular = new Modular(p);
  let pieces = modular.factor(modular.of(f));
  if (pieces.length > MOST.factors) return null;
  const found: Poly[] = [];
  let rest = f;
  const centred = (a: Poly): Poly => primitive(trim(a.map((c) => (2n * c > p ? c - p : c))));
  for (let count = 1; 2 * count <= pieces.length;) {
    const hit = subsets(pieces, count).find((chosen) => {
      const product = chosen.reduce<Poly>((a, b) => modular.of(multiply(a, b)), [((lead(rest) % p) + p) % p]);
      const quotient = divideExactly(rest, centred(product));
      if (!quotient) return false;
      found.push(centred(product));
      rest = primitive(quotient);
      return true;
    });
    if (hit) pieces = pieces.filter((one) => !hit.includes(one));
    else count += 1;
  }
  return degree(rest) > 0 ? [...found, rest] : found;
}

function subsets<T>(list: readonly T[], count: number): T[][] {
  if (count === 0) return [[]];
  return list.flatMap((one, i) => subsets(list.slice(i + 1), count - 1).map((rest) => [one, ...rest]));
}

/** Every irreducible factor as often as it divides; null when it is too large. */
function factorsOf(f: Poly): Poly[] | null {
  const out: Poly[] = [];
  let rest = primitive(f);
  const shared = polyGcd(rest, derivative(rest));
  const squareFree = degree(shared) > 0 ? primitive(divideExactly(rest, shared) ?? rest) : rest;
  const factors = factorSquareFree(squareFree);
  if (!factors) return null;
  for (const factor of factors)
    for (let next = divideExactly(rest, factor); next; next = divideExactly(rest, factor)) {
      out.push(factor);
      rest = next;
    }
  return out;
}

/** A polynomial of several variables with whole coefficients as one of one variable: the i-th variable becomes x^(base^i). */
function substituted(value: Polynomial, variables: readonly string[], base: number): Poly | null {
  const out = new Map<number, bigint>();
  let scale = 1n;
  for (const { c } of value.values()) scale = (scale * c.d) / gcd(scale, c.d);
  for (const { c, m } of value.values()) {
    let power = 0;
    for (const [name, e] of m.powers) {
      const i = variables.indexOf(name);
      if (i < 0 || e.d !== 1n || e.n < 0n) return null;
      power += Number(e.n) * base ** i;
    }
    out.set(power, (out.get(power) ?? 0n) + (c.n * scale) / c.d);
  }
  const top = Math.max(...out.keys());
  if (top > MOST.degree) return null;
  return Array.from({ length: top + 1 }, (_, i) => out.get(i) ?? 0n);
}

/** Whether multiplying two images back mixes no powers: then the factors are images of polynomials of several variables. */
function isTrueProduct(a: Poly, b: Poly, count: number, base: number): boolean {
  const digits = (n: number) => Array.from({ length: count }, (_, i) => Math.floor(n / base ** i) % base);
  const highest = (f: Poly) =>
    f.reduce<number[]>(
      (most, c, n) => (c === 0n ? most : digits(n).map((d, i) => Math.max(d, most[i] ?? 0))),
      Array.from({ length: count }, () => 0),
    );
  const [x, y] = [highest(a), highest(b)];
  return x.every((d, i) => d + (y[i] ?? 0) < base);
}

function withinWork<T>(compute: () => T): T | null {
  try {
    return compute();
  } catch (error) {
    if (error instanceof TooMuch) return null;
    throw error;
  }
}

/** Whether a polynomial cannot be split over the rational numbers; null when it is too large, or no polynomial. */
export function isIrreducible(value: Polynomial): boolean | null {
  const terms = [...value.values()];
  const variables = [...new Set(terms.flatMap((term) => term.m.powers.map(([name]) => name)))].sort();
  if (variables.some((name) => name.startsWith('@') || /^\d+$/.test(name))) return null;
  const degrees = terms.flatMap((term) => term.m.powers.map(([, e]) => Number(e.n)));
  const base = Math.max(1, ...degrees) + 1;
  const image = substituted(value, variables, base);
  if (!image) return null;
  const factors = withinWork(() => factorsOf(image));
  if (!factors || factors.length > MOST.factors) return null;
  const whole = primitive(image);
  const isFactor = (chosen: readonly Poly[]): boolean => {
    const part = chosen.reduce(multiply, [1n]);
    const rest = divideExactly(whole, part);
    return (
      rest !== null &&
      degree(part) > 0 &&
      degree(rest) > 0 &&
      isTrueProduct(part, rest, variables.length, base)
    );
  };
  for (let count = 1; count < factors.length; count += 1)
    if (subsets(factors, count).some(isFactor)) return false;
  return true;
}
