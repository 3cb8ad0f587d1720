import { type MathNode, walkMath } from './node';
import { toNumber } from './rational';

/** The float value of an expression at a point; NaN where it has none. Real numbers only. */
export function evaluate(node: MathNode, at: Readonly<Record<string, number>>): number {
  const of = (inner: MathNode) => evaluate(inner, at);
  switch (node.t) {
    case 'num':
      return toNumber(node.value);
    case 'var':
      return at[node.name] ?? NaN;
    case 'const':
      return node.name === 'pi' ? Math.PI : Math.E;
    case 'infinity':
    case 'rel':
      return NaN;
    case 'group':
      return of(node.arg);
    case 'neg':
      return -of(node.arg);
    case 'percent':
      return of(node.arg) / 100;
    case 'degrees':
      return (of(node.arg) * Math.PI) / 180;
    case 'mixed':
      return Number(node.whole) + Number(node.n) / Number(node.d);
    case 'add':
      return node.args.reduce((sum, arg) => sum + of(arg), 0);
    case 'mul':
      return node.args.reduce((product, arg) => product * of(arg), 1);
    case 'div':
      return of(node.a) / of(node.b);
    case 'root':
      return realRoot(of(node.arg), of(node.index));
    case 'pow':
      return realPower(node.exponent, of(node.base), of(node.exponent));
    case 'fn':
      return call(node.name, of(node.arg), node.base ? of(node.base) : 10);
  }
}

/** The cube root of −8 is −2 (items.md: roots are real). */
function realRoot(x: number, n: number): number {
  if (x < 0) return n % 2 === 1 ? -Math.pow(-x, 1 / n) : NaN;
  return Math.pow(x, 1 / n);
}

function realPower(exponent: MathNode, base: number, e: number): number {
  const inner = exponent.t === 'group' ? exponent.arg : exponent;
  if (base < 0 && inner.t === 'div' && inner.a.t === 'num' && inner.b.t === 'num') {
    return Math.pow(realRoot(base, toNumber(inner.b.value)), toNumber(inner.a.value));
  }
  return Math.pow(base, e);
}

function call(name: Extract<MathNode, { t: 'fn' }>['name'], x: number, base: number): number {
  switch (name) {
    case 'abs':
      return Math.abs(x);
    case 'ln':
      return Math.log(x);
    case 'log':
      return Math.log(x) / Math.log(base);
    case 'cot':
      return 1 / Math.tan(x);
    case 'sec':
      return 1 / Math.cos(x);
    case 'csc':
      return 1 / Math.sin(x);
    case 'arcsin':
      return Math.asin(x);
    case 'arccos':
      return Math.acos(x);
    case 'arctan':
      return Math.atan(x);
    default:
      return Math[name](x);
  }
}

/** The variables of an expression, in order of the alphabet. */
export function variablesOf(node: MathNode): string[] {
  const names = new Set<string>();
  for (const inner of walkMath(node)) if (inner.t === 'var') names.add(inner.name);
  return [...names].sort();
}

/** A fixed sequence of numbers (mulberry32), so that the same answer is always judged alike. */
function sequence(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Smaller than this a float has lost its digits. */
const TINY = 1e-290;

/**
 * Whether something in an expression leaves the range of floats at a point: then its value there says nothing (1/10^1000000 is
 * not 0, nor is 10^400 infinite).
 */
function leavesRange(node: MathNode, at: Readonly<Record<string, number>>): boolean {
  for (const inner of walkMath(node)) {
    if (inner.t !== 'num' && inner.t !== 'pow' && inner.t !== 'mul' && inner.t !== 'div' && inner.t !== 'fn')
      continue;
    const value = evaluate(inner, at);
    if (Math.abs(value) === Infinity) return true;
    if (Math.abs(value) >= TINY || Number.isNaN(value)) continue;
    const nonZero = (one: MathNode) => Math.abs(evaluate(one, at)) > 0;
    if (inner.t === 'num' && inner.value.n !== 0n) return true;
    if (inner.t === 'pow' && nonZero(inner.base)) return true;
    if (inner.t === 'div' && nonZero(inner.a)) return true;
    if (inner.t === 'mul' && inner.args.every(nonZero)) return true;
    if (inner.t === 'fn' && inner.name === 'exp') return true;
  }
  return false;
}

/**
 * Whether two expressions agree wherever both have a value, at points spread over several sizes and both signs, and
 * have a value at the same points; points where both have none, or where floats do not reach, say nothing. Used only where no
 * normal form decides. At least six points must count.
 */
export function agreeNumerically(a: MathNode, b: MathNode): boolean {
  const variables = [...new Set([...variablesOf(a), ...variablesOf(b)])];
  const random = sequence(20261125);
  const close = (x: number, y: number) => Math.abs(x - y) <= 1e-9 * Math.max(1, Math.abs(x), Math.abs(y));
  if (variables.length === 0) {
    const [x, y] = [evaluate(a, {}), evaluate(b, {})];
    if (leavesRange(a, {}) || leavesRange(b, {})) return false;
    return Number.isFinite(x) && Number.isFinite(y) && close(x, y);
  }
  let counted = 0;
  for (let i = 0; i < 90 && counted < 24; i += 1) {
    const size = [1, 4, 0.3, 12][i % 4] ?? 1;
    const point = () => (i % 3 === 0 ? (random() * 2 - 1) * size : (random() + 0.02) * size);
    const at = Object.fromEntries(variables.map((name) => [name, point()]));
    const [x, y] = [evaluate(a, at), evaluate(b, at)];
    if (Number.isNaN(x) && Number.isNaN(y)) continue;
    if (Number.isNaN(x) !== Number.isNaN(y)) return false;
    if (leavesRange(a, at) || leavesRange(b, at)) continue;
    if (!close(x, y)) return false;
    counted += 1;
  }
  return counted >= 6;
}
