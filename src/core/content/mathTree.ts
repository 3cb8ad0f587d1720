import { numberText, type MathNode } from '../math';
import type { Content, ContentNode } from './content';

const element = (
  name: string,
  children: Content,
  attributes: Readonly<Record<string, string>> = {},
): ContentNode => ({
  kind: 'element',
  namespace: 'math',
  name,
  attributes,
  children,
});
const leaf = (name: 'mn' | 'mi' | 'mo', text: string, attributes = {}): ContentNode =>
  element(name, [{ kind: 'text', text }], attributes);
const row = (children: Content): ContentNode => element('mrow', children);
const sign = (text: string) => leaf('mo', text);

const RELATIONS = { '=': '=', '<': '<', '>': '>', '<=': '≤', '>=': '≥', '!=': '≠' } as const;

/** Written mathematics as MathML (MathML Core): fractions as fractions, as it was written. `mathText` is the other way round. */
export const mathContent = (node: MathNode): Content => [element('math', [draw(node)])];

function draw(node: MathNode): ContentNode {
  switch (node.t) {
    case 'num':
      return leaf('mn', numberText(node.value));
    case 'var':
      return leaf('mi', node.name);
    case 'const':
      return leaf('mi', node.name === 'pi' ? 'π' : 'e', { mathvariant: 'normal' });
    case 'infinity':
      return leaf('mn', '∞');
    case 'group':
      return row([sign('('), draw(node.arg), sign(')')]);
    case 'neg':
      return row([leaf('mo', '−', { form: 'prefix' }), draw(node.arg)]);
    case 'percent':
      return row([draw(node.arg), sign('%')]);
    case 'degrees':
      return row([draw(node.arg), sign('°')]);
    case 'mixed':
      return row([
        leaf('mn', String(node.whole)),
        element('mfrac', [leaf('mn', String(node.n)), leaf('mn', String(node.d))]),
      ]);
    case 'add':
      return row(
        node.args.flatMap((arg, i) => {
          if (i === 0) return [draw(arg)];
          return arg.t === 'neg' ? [sign('−'), draw(arg.arg)] : [sign('+'), draw(arg)];
        }),
      );
    case 'mul':
      return row(
        node.args.flatMap((arg, i) =>
          i === 0 || isBeside(node.args[i - 1], arg) ? [draw(arg)] : [sign('×'), draw(arg)],
        ),
      );
    case 'div':
      return node.written === 'quotient' && node.a.t === 'num'
        ? row([draw(node.a), sign('÷'), draw(node.b)])
        : element('mfrac', [part(node.a), part(node.b)]);
    case 'pow':
      return element('msup', [row([draw(node.base)]), part(node.exponent)]);
    case 'root':
      return node.index.t === 'num' && node.index.value.n === 2n && node.index.value.d === 1n
        ? element('msqrt', [part(node.arg)])
        : element('mroot', [part(node.arg), part(node.index)]);
    case 'fn': {
      if (node.name === 'abs') return row([sign('|'), draw(node.arg), sign('|')]);
      const name = leaf('mi', node.name, { mathvariant: 'normal' });
      const called = node.base ? element('msub', [name, part(node.base)]) : name;
      return row([called, sign('('), draw(node.arg), sign(')')]);
    }
    case 'rel':
      return row(
        node.args.flatMap((arg, i) =>
          i === 0 ? [draw(arg)] : [sign(RELATIONS[node.ops[i - 1] ?? '=']), draw(arg)],
        ),
      );
  }
}

/** What stands over or under a line, or raised: the brackets around it are not needed there. */
const part = (node: MathNode): ContentNode => row([draw(node.t === 'group' ? node.arg : node)]);

/** 2√2, 2π√3: no sign between a number or π and what is no number. */
const isBeside = (left: MathNode | undefined, right: MathNode): boolean =>
  (left?.t === 'num' || left?.t === 'const') && ['const', 'root', 'var'].includes(right.t);
