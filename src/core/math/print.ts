import { ungroup, type MathNode, type RelationOp } from './node';
import { toNumber, type Rational } from './rational';

/** How a tree is written: as LaTeX for the editor, or as text a student types. */
type Style = 'latex' | 'text';

const RELATION: Readonly<Record<Style, Readonly<Record<RelationOp, string>>>> = {
  latex: { '=': '=', '<': '<', '>': '>', '<=': '\\le', '>=': '\\ge', '!=': '\\ne' },
  text: { '=': '=', '<': '<', '>': '>', '<=': '<=', '>=': '>=', '!=': '!=' },
};

/** A number as it is written: a decimal where it is short, else a fraction. */
export function numberText(value: Rational): string {
  if (value.d === 1n) return String(value.n);
  const decimal = String(toNumber(value));
  return /e/.test(decimal) ? `${value.n}/${value.d}` : decimal;
}

/** Binding strength, to know where brackets are needed. */
function strength(node: MathNode): number {
  switch (node.t) {
    case 'rel':
      return 0;
    case 'add':
      return 1;
    case 'neg':
      return 2;
    case 'mul':
    case 'div':
      return 3;
    case 'pow':
      return 4;
    default:
      return 5;
  }
}

function print(node: MathNode, style: Style): string {
  const latex = style === 'latex';
  const of = (inner: MathNode, least = 0): string => {
    const text = print(inner, style);
    const fraction = latex && inner.t === 'div' && inner.written === 'fraction' && least <= 3;
    if (strength(inner) >= least || fraction) return text;
    return latex ? `\\left(${text}\\right)` : `(${text})`;
  };
  const braced = (inner: MathNode) => (latex ? `{${print(ungroup(inner), style)}}` : of(ungroup(inner), 5));
  switch (node.t) {
    case 'num':
      return numberText(node.value);
    case 'var':
      return latex && node.name.length > 2 && !node.name.includes('_') ? `\\${node.name}` : node.name;
    case 'const':
      return node.name === 'pi' ? (latex ? '\\pi' : 'pi') : 'e';
    case 'infinity':
      return latex ? '\\infty' : 'inf';
    case 'group':
      return latex ? `\\left(${of(node.arg)}\\right)` : `(${of(node.arg)})`;
    case 'neg':
      return `-${of(node.arg, 3)}`;
    case 'percent':
      return `${of(node.arg, 5)}${latex ? '\\%' : '%'}`;
    case 'degrees':
      return `${of(node.arg, 5)}${latex ? '^{\\circ}' : '°'}`;
    case 'mixed':
      return latex ? `${node.whole}\\frac{${node.n}}{${node.d}}` : `${node.whole} ${node.n}/${node.d}`;
    case 'add':
      return node.args
        .map((arg, i) =>
          i === 0 ? of(arg, 1) : arg.t === 'neg' ? ` - ${of(arg.arg, 3)}` : ` + ${of(arg, 2)}`,
        )
        .join('');
    case 'mul':
      return node.args
        .map((arg, i) => `${i === 0 ? '' : product(node.args[i - 1], arg, latex)}${of(arg, 4)}`)
        .join('');
    case 'div':
      if (latex && node.written === 'fraction')
        return `\\frac{${print(ungroup(node.a), style)}}{${print(ungroup(node.b), style)}}`;
      return `${of(node.a, 3)}${latex ? '\\div ' : divisionSign(node)}${of(node.b, 4)}`;
    case 'pow':
      return `${of(node.base, 5)}^${latex ? braced(node.exponent) : of(node.exponent, 5)}`;
    case 'root': {
      const square = node.index.t === 'num' && toNumber(node.index.value) === 2;
      if (!latex)
        return square
          ? `sqrt(${of(ungroup(node.arg))})`
          : `${of(ungroup(node.arg), 5)}^(1/${of(node.index)})`;
      return `\\sqrt${square ? '' : `[${of(node.index)}]`}{${of(ungroup(node.arg))}}`;
    }
    case 'fn': {
      if (node.name === 'abs') return latex ? `\\left|${of(node.arg)}\\right|` : `abs(${of(node.arg)})`;
      const base = node.base ? (latex ? `_{${of(node.base)}}` : `_${of(node.base, 5)}`) : '';
      return latex
        ? `\\${node.name}${base}\\left(${of(node.arg)}\\right)`
        : `${node.name}${base}(${of(node.arg)})`;
    }
    case 'rel':
      return node.args
        .map((arg, i) => `${i === 0 ? '' : ` ${RELATION[style][node.ops[i - 1] ?? '=']} `}${of(arg)}`)
        .join('');
  }
}

/** Numbers with a division sign between them stay so: a slash would make a fraction of them. */
const divisionSign = ({ a, written }: Extract<MathNode, { t: 'div' }>): string =>
  written === 'quotient' && ['num', 'group'].includes(a.t) ? '÷' : '/';

/** What stands between two factors: nothing where letters multiply, a sign where digits would run together. */
function product(left: MathNode | undefined, right: MathNode, latex: boolean): string {
  const sign = latex ? '\\cdot ' : '*';
  const digitNext = /^[\d.]/.test(print(right, latex ? 'latex' : 'text'));
  const plainLeft = left && ['num', 'var', 'const', 'pow', 'group'].includes(left.t);
  const plainRight = ['var', 'const', 'group', 'pow', 'root'].includes(right.t);
  if (!plainLeft || !plainRight || digitNext) return sign;
  return latex || left.t === 'num' ? (latex && left.t === 'const' ? ' ' : '') : sign;
}

/** LaTeX for the structured editor. */
export const toLatex = (node: MathNode): string => print(node, 'latex');
/** Plain text as it is typed: `1/2`, `x^2`, `sqrt(8)`. */
export const toTyped = (node: MathNode): string => print(node, 'text');
