import type { ContentNode } from './content';

type Element = Extract<ContentNode, { kind: 'element' }>;

/** Signs that are only there for programs: function application, invisible times, comma and plus. */
const INVISIBLE = /[\u2061-\u2064]/g;
/** What needs no brackets around it: a number, a name. */
const SIMPLE = /^[\p{L}\p{N}.,]*$/u;
const bracketed = (text: string): string => (SIMPLE.test(text) ? text : `(${text})`);

/** A row: a number right before a fraction is a mixed number, told by a blank. */
function rowText(nodes: readonly ContentNode[]): string {
  return nodes.reduce((before, node) => {
    const text = mathText(node);
    const mixed = /[\d.]$/.test(before) && node.kind === 'element' && node.name === 'mfrac';
    return before + (mixed ? ' ' : '') + text;
  }, '');
}

function elementText({ name, children, attributes }: Element): string {
  const parts = children.filter((node) => node.kind !== 'text' || node.text.trim() !== '');
  const [a = '', b = '', c = ''] = parts.map(mathText);
  switch (name) {
    case 'mfrac':
      return `${bracketed(a)}/${bracketed(b)}`;
    case 'msup':
      return `${bracketed(a)}^${bracketed(b)}`;
    case 'msub':
      return `${bracketed(a)}_${bracketed(b)}`;
    case 'msubsup':
      return `${bracketed(a)}_${bracketed(b)}^${bracketed(c)}`;
    case 'msqrt':
      return `√${bracketed(rowText(parts))}`;
    case 'mroot':
      return `${bracketed(b)}√${bracketed(a)}`;
    case 'mfenced':
      return `${attributes.open ?? '('}${parts.map(mathText).join(', ')}${attributes.close ?? ')'}`;
    case 'mtable':
      return parts.map(mathText).join('; ');
    case 'mtr':
      return parts.map(mathText).join(', ');
    case 'annotation':
    case 'annotation-xml':
    case 'mphantom':
      return '';
    default:
      return rowText(children);
  }
}

/** MathML on one line, as it would be typed: `1/2`, `3 1/2`, `x^2`, `√(x+1)`. */
export function mathText(node: ContentNode): string {
  if (node.kind === 'text') return node.text.replace(INVISIBLE, '').trim();
  if (node.kind === 'element') return node.attributes.alttext ?? elementText(node);
  return 'children' in node ? rowText(node.children) : '';
}
