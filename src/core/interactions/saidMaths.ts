import { numberText, readMath, type MathNode } from '../math';
import { ungroup } from '../math/node';
import { saidNumber } from './said';
import type { Said, SaidValue } from './types';

const isSmall = (node: MathNode): boolean => ['num', 'var', 'const', 'infinity'].includes(node.t);
/** A factor that is said right behind a number or another of its kind: `2x`, `3πr`, `4x²`. */
const followsNumber = (node: MathNode): boolean =>
  node.t === 'var' || node.t === 'const' || (node.t === 'pow' && followsNumber(node.base));

const chain = (
  parts: readonly MathNode[],
  join: (before: Said, next: MathNode, last: MathNode) => Said,
): Said => {
  const [first, ...rest] = parts;
  let last = first;
  let said = first ? saidTree(first) : text('');
  for (const next of rest) {
    said = join(said, next, last ?? next);
    last = next;
  }
  return said;
};
const text = (words: string): Said => ({ code: 'text', values: { text: words } });
const of = (code: string, values: Readonly<Record<string, SaidValue>> = {}): Said => ({
  code: `maths.${code}`,
  values,
});

/** Written maths as it is said, with the marks of where a fraction, root or power ends wherever it could be heard otherwise. */
export function saidTree(node: MathNode): Said {
  const say = saidTree;
  switch (node.t) {
    case 'num':
      return saidNumber(numberText(node.value));
    case 'var':
      return text(node.name);
    case 'const':
      return node.name === 'pi' ? of('pi') : text('e');
    case 'infinity':
      return of('infinity');
    case 'neg':
      return of('negative', { a: say(node.arg) });
    case 'add':
      return chain(node.args, (a, next) =>
        next.t === 'neg' ? of('minus', { a, b: say(next.arg) }) : of('plus', { a, b: say(next) }),
      );
    case 'mul':
      return chain(node.args, (a, next, last) =>
        of((last.t === 'num' || followsNumber(last)) && followsNumber(next) ? 'beside' : 'times', {
          a,
          b: say(next),
        }),
      );
    case 'div': {
      const values = { a: say(node.a), b: say(node.b) };
      if (node.written === 'quotient') return of('dividedBy', values);
      return of(isSmall(node.a) && isSmall(node.b) ? 'over' : 'fraction', values);
    }
    case 'mixed':
      return of('mixed', { whole: String(node.whole), n: String(node.n), d: String(node.d) });
    case 'pow': {
      const power = ungroup(node.exponent);
      const values = { a: say(node.base), b: say(power) };
      const whole = power.t === 'num' && power.value.d === 1n ? power.value.n : null;
      if (whole === 2n || whole === 3n) return of(whole === 2n ? 'squared' : 'cubed', values);
      return of(isSmall(power) ? 'power' : 'longPower', values);
    }
    case 'root': {
      const index = node.index.t === 'num' && node.index.value.d === 1n ? Number(node.index.value.n) : 0;
      const values = { a: say(node.arg), index: say(node.index), end: isSmall(node.arg) ? 'no' : 'yes' };
      return of(index === 2 ? 'squareRoot' : index === 3 ? 'cubeRoot' : 'root', values);
    }
    case 'fn': {
      const values = { name: node.name, a: say(node.arg) };
      return node.base ? of('functionBase', { ...values, base: say(node.base) }) : of('function', values);
    }
    case 'percent':
      return of('percent', { a: say(node.arg) });
    case 'degrees':
      return of('degrees', { a: say(node.arg) });
    case 'group':
      return of('brackets', { a: say(node.arg) });
    case 'rel': {
      const [first, ...rest] = node.args;
      return rest.reduce<Said>(
        (a, next, i) => of('relation', { a, op: RELATION[node.ops[i] ?? '='], b: say(next) }),
        first ? say(first) : text(''),
      );
    }
  }
}

const RELATION = {
  '=': 'equals',
  '<': 'less',
  '>': 'greater',
  '<=': 'atMost',
  '>=': 'atLeast',
  '!=': 'not',
} as const;

/** LaTeX that is no whole expression yet, without its commands: `3+…`. */
function loosely(latex: string): Said {
  const plain = latex
    .replace(/\\(?:cdot|times)(?![a-zA-Z])/g, '×')
    .replace(/\\div(?![a-zA-Z])/g, '÷')
    .replace(/\\placeholder\s*\{[^{}]*\}/g, '…')
    .replace(/\{\s*\}/g, '{…}')
    .replace(/\\[dt]?frac\s*\{([^{}]*)\}\s*\{([^{}]*)\}/g, '$1/$2')
    .replace(/\\(?:left|right)(?![a-zA-Z])/g, '')
    .replace(/\\([a-zA-Z]+)/g, ' $1 ')
    .replace(/[{}\\]/g, '')
    .replace(/\s+/g, ' ')
    .trim();
  return text(plain);
}

/** Written maths as it is said: "3 and 1 over 2", "x squared plus 3 x equals negative 5". */
export function saidMaths(latex: string): Said {
  const read = readMath(latex);
  return read.ok ? saidTree(read.node) : loosely(latex);
}
