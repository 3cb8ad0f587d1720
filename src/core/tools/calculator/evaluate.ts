import type { CalculatorKind } from '../../item/materials';
import { readMath, worth, type MathNode } from '../../math';
import { walkMath } from '../../math/node';
import { evaluate as nearest } from '../../math/numeric';
import { decimalOf, type Decimal } from './decimal';
import { floor, multiply, rational, sign, subtract, type Rational } from '../../math/rational';

export type AngleUnit = 'degrees' | 'radians';

type NodeKind = MathNode['t'];
const BASIC: readonly NodeKind[] = ['num', 'add', 'neg', 'mul', 'div', 'percent', 'root', 'group'];
const STANDARD: readonly NodeKind[] = [...BASIC, 'mixed', 'pow'];
const SCIENTIFIC: readonly NodeKind[] = [...STANDARD, 'const', 'fn', 'degrees'];

/** What a calculator can work out (QTI 3.0, `qti-calculator-type`, gives the names; what each can do is ours). */
export const CAN: Readonly<Record<CalculatorKind, ReadonlySet<NodeKind>>> = {
  basic: new Set(BASIC),
  standard: new Set(STANDARD),
  scientific: new Set(SCIENTIFIC),
  graphing: new Set(SCIENTIFIC),
};

export type Problem = 'unreadable' | 'not-here' | 'by-zero' | 'no-value' | 'too-large';
export interface Result {
  readonly ok: true;
  /** What was typed, as a tree that still knows how it was written. */
  readonly asked: MathNode;
  /** Exactly: a fraction in lowest terms, or with roots and π; null where there is no short exact form. */
  readonly exact: MathNode | null;
  /** A fraction over one as a mixed number. */
  readonly mixed: MathNode | null;
  readonly decimal: Decimal;
  /** What the result is put back as: exact where it can be. */
  readonly text: string;
}
export type Worked = Result | { readonly ok: false; readonly why: Problem };

/** Numbers beyond this are no results of school work. */
const LARGEST = 1e100;

/**
 * Works an expression out as a calculator of a kind does. All kinds keep the order of operations that is taught (multiplying and dividing
 * before adding and subtracting): what stands on the display is what is worked out. Fractions, roots and π stay exact.
 */
export function workOut(text: string, kind: CalculatorKind, angle: AngleUnit): Worked {
  const read = readMath(text);
  if (!read.ok) return { ok: false, why: 'unreadable' };
  const nodes = [...walkMath(read.node)];
  if (nodes.some(({ t }) => t === 'rel' || t === 'infinity')) return { ok: false, why: 'unreadable' };
  if (nodes.some(({ t }) => !CAN[kind].has(t))) return { ok: false, why: 'not-here' };
  const value = worth(withAngles(read.node, angle));
  if (!value.ok) return value;
  if (Math.abs(value.number) >= LARGEST) return { ok: false, why: 'too-large' };
  const decimal = decimalOf(value.rational ?? value.number);
  return {
    ok: true,
    asked: read.node,
    exact: value.written,
    mixed: value.rational && mixedNode(value.rational),
    decimal,
    text: textOf(value.rational, value.written, decimal),
  };
}

/** Angles in the unit the calculator is set to: what goes into sin, and what comes out of its inverse. */
export function withAngles(node: MathNode, angle: AngleUnit): MathNode {
  const of = (inner: MathNode) => withAngles(inner, angle);
  switch (node.t) {
    case 'fn': {
      const call = { ...node, arg: of(node.arg), base: node.base && of(node.base) };
      if (TURNING.has(node.name)) {
        const written = [...walkMath(call.arg)].some(({ t }) => t === 'degrees');
        return angle === 'degrees' && !written ? { ...call, arg: { t: 'degrees', arg: call.arg } } : call;
      }
      return INVERSE[node.name] === undefined ? call : angleOf(call, angle);
    }
    case 'add':
    case 'mul':
      return { ...node, args: node.args.map(of) };
    case 'neg':
    case 'percent':
    case 'group':
    case 'degrees':
      return { ...node, arg: of(node.arg) };
    case 'div':
      return { ...node, a: of(node.a), b: of(node.b) };
    case 'pow':
      return { ...node, base: of(node.base), exponent: of(node.exponent) };
    case 'root':
      return { ...node, index: of(node.index), arg: of(node.arg) };
    default:
      return node;
  }
}
const TURNING: ReadonlySet<string> = new Set(['sin', 'cos', 'tan', 'cot', 'sec', 'csc']);
type Call = Extract<MathNode, { t: 'fn' }>;
const INVERSE: Readonly<Partial<Record<Call['name'], Call['name']>>> = {
  arcsin: 'sin',
  arccos: 'cos',
  arctan: 'tan',
};
const num = (value: Rational): MathNode => ({ t: 'num', value, written: 'integer' });
const PI: MathNode = { t: 'const', name: 'pi' };

/** An inverse function's angle: exactly where a whole number of degrees has just that sine, else as a decimal. */
function angleOf(call: Call, angle: AngleUnit): MathNode {
  const degrees = (nearest(call, {}) * 180) / Math.PI;
  const whole = Math.round(degrees);
  const name = INVERSE[call.name];
  if (name !== undefined && Math.abs(degrees - whole) < 1e-9) {
    const back: MathNode = { ...call, name, arg: { t: 'degrees', arg: num(rational(whole)) } };
    const difference = worth({ t: 'add', args: [back, { t: 'neg', arg: call.arg }] });
    if (difference.ok && difference.rational && sign(difference.rational) === 0) {
      return angle === 'degrees' ? num(rational(whole)) : { t: 'mul', args: [num(rational(whole, 180)), PI] };
    }
  }
  return angle === 'degrees'
    ? { t: 'div', a: { t: 'mul', args: [call, num(rational(180))] }, b: PI, written: 'quotient' }
    : call;
}

/** 7/4 as 1 3/4; null for what is no fraction over one. */
function mixedNode(value: Rational): MathNode | null {
  if (value.d === 1n) return null;
  if (sign(value) < 0) {
    const positive = mixedNode(multiply(value, rational(-1)));
    return positive && { t: 'neg', arg: positive };
  }
  const whole = floor(value);
  if (whole === 0n) return null;
  const rest = subtract(value, rational(whole));
  return { t: 'mixed', whole, n: rest.n, d: rest.d };
}

/** A result as it is typed in again; in brackets where it would run together with what comes next. */
function textOf(value: Rational | null, exact: MathNode | null, decimal: Decimal): string {
  if (value) {
    if (decimal.exact && decimal.power === 0) return decimal.digits;
    return `(${value.n}/${value.d})`.replace('-', '−');
  }
  if (exact) return `(${typed(exact)})`;
  return decimal.power === 0 ? decimal.digits : `(${decimal.digits}×10^${decimal.power})`;
}

/** An exact form with the signs of the keys. */
function typed(node: MathNode): string {
  switch (node.t) {
    case 'num':
      return String(node.value.n);
    case 'const':
      return node.name === 'pi' ? 'π' : 'e';
    case 'neg':
      return `−${typed(node.arg)}`;
    case 'add':
      return node.args.map((arg, i) => `${i > 0 && arg.t !== 'neg' ? '+' : ''}${typed(arg)}`).join('');
    case 'mul':
      return node.args.map(typed).join('×');
    case 'div':
      return `${typed(node.a)}/${typed(node.b)}`;
    case 'pow':
      return `${typed(node.base)}^${typed(node.exponent)}`;
    case 'root':
      return node.index.t === 'num' && node.index.value.n === 2n
        ? `√(${typed(node.arg)})`
        : `(${typed(node.arg)})^(1/${typed(node.index)})`;
    default:
      return '';
  }
}
