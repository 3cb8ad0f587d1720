import { colord, extend } from 'colord';
import names from 'colord/plugins/names';
import {
  generate,
  lexer,
  parse,
  walk,
  type CssNode,
  type Declaration,
  type Rule,
  type Selector,
  type StyleSheet,
} from 'css-tree';
import { COLORED, type StyleDeclaration, type StyleRule } from '../content/styles';
import type { Reporter } from '../xml/problem';
import { HTML_ELEMENTS } from './allowed';

extend([names]);

/** Letters of a style sheet, and rules in it, that are read: far more than an item needs. */
const MOST = { letters: 200_000, rules: 500 } as const;

const SIDES = ['top', 'right', 'bottom', 'left'];
/** What a package may settle about its own content: how text and tables look, never where things lie on the screen. */
const PROPERTIES: ReadonlySet<string> = new Set([
  ...COLORED,
  'text-align',
  'text-indent',
  'text-decoration-line',
  'text-decoration-style',
  'text-transform',
  'font-style',
  'font-weight',
  'font-variant',
  'font-size',
  'line-height',
  'letter-spacing',
  'word-spacing',
  'white-space',
  'vertical-align',
  'list-style-type',
  'list-style-position',
  'border-collapse',
  'border-spacing',
  'caption-side',
  'max-width',
  'width',
  'border-radius',
  ...['margin', 'padding'].flatMap((name) => [name, ...SIDES.map((side) => `${name}-${side}`)]),
  ...['style', 'width'].flatMap((what) => SIDES.map((side) => `border-${side}-${what}`)),
]);

/** Pixels of a unit that stands for a length on paper or on an old screen (CSS Values 4, absolute lengths); content grows with the student's size. */
const PIXELS: Readonly<Record<string, number>> = {
  px: 1,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
};
const RELATIVE: ReadonlySet<string> = new Set(['em', 'rem', 'ex', 'ch']);

/** The smallest and the largest letters, beside those around them. */
const FONT_SIZE = { least: 0.85, most: 3 } as const;

const PSEUDO: ReadonlySet<string> = new Set([
  'first-child',
  'last-child',
  'only-child',
  'nth-child',
  'nth-last-child',
  'first-of-type',
  'last-of-type',
  'nth-of-type',
  'nth-last-of-type',
  'empty',
]);
/** What stands for the whole of an item or a passage. */
const WHOLE: ReadonlySet<string> = new Set(['qti-item-body', 'qti-stimulus-body', 'body', 'html']);

/** A selector as it is used; null where it has something in it that is not allowed. */
function selectorIn(selector: Selector): string | null {
  let allowed = true;
  const copy = selector.children.toArray().map((node): string => {
    switch (node.type) {
      case 'TypeSelector': {
        const name = node.name.toLowerCase();
        if (WHOLE.has(name)) return ':scope';
        allowed &&= name === '*' || HTML_ELEMENTS.has(name);
        return name;
      }
      case 'ClassSelector':
      case 'IdSelector':
        return generate(node);
      case 'Combinator':
        return node.name.trim() === '' ? ' ' : ` ${node.name} `;
      case 'PseudoClassSelector':
        if (node.name === 'root') return ':scope';
        allowed &&= PSEUDO.has(node.name);
        walk(node, (inner) => {
          // Of what a child is counted: only numbers.
          if (inner.type === 'SelectorList') allowed = false;
        });
        return generate(node);
      default:
        allowed = false;
        return '';
    }
  });
  return allowed ? copy.join('') : null;
}

const lengthOf = (value: string, unit: string): string | null => {
  const pixels = PIXELS[unit.toLowerCase()];
  if (pixels !== undefined) return `${Number(((Number(value) * pixels) / 16).toFixed(4))}rem`;
  return RELATIVE.has(unit.toLowerCase()) ? `${value}${unit.toLowerCase()}` : null;
};

/** A value without addresses, functions and lengths that do not grow; null where it has them. */
function valueIn(value: CssNode): string | null {
  let allowed = true;
  const copy = (value.type === 'Value' ? value.children.toArray() : []).map((node): string => {
    switch (node.type) {
      case 'Identifier':
        return generate(node);
      case 'Number':
      case 'Percentage':
        allowed &&= Number(node.value) >= 0;
        return generate(node);
      case 'Dimension': {
        const length = lengthOf(node.value, node.unit);
        allowed &&= length !== null && Number(node.value) >= 0;
        return length ?? '';
      }
      default:
        allowed = false;
        return '';
    }
  });
  return allowed && copy.length > 0 ? copy.join(' ') : null;
}

/** How large letters are beside those around them; null for what is not said so. */
function shareOf(value: string): number | null {
  const found = /^([\d.]+)(em|%)$/.exec(value);
  if (found) return Number(found[1]) * (found[2] === '%' ? 0.01 : 1);
  return { smaller: 0.85, larger: 1.2, medium: 1 }[value] ?? null;
}

const colorIn = (value: CssNode): string | null => {
  const color = colord(generate(value).trim());
  return color.isValid() && color.alpha() === 1 ? color.toHex() : null;
};

/** A shorthand in the properties that are read; the declaration itself where it is none. */
function written(declaration: Declaration): { readonly property: string; readonly value: CssNode }[] {
  const { value } = declaration;
  const property = declaration.property.toLowerCase();
  if (value.type !== 'Value') return [{ property, value }];
  const of = (one: CssNode): CssNode => ({ ...value, children: value.children.copy().fromArray([one]) });
  const isColor = (one: CssNode) => colorIn(one) !== null;
  const parts = value.children.toArray();
  if (property === 'background' && parts.length === 1) return [{ property: 'background-color', value }];
  if (property === 'text-decoration' && parts.length === 1)
    return [{ property: 'text-decoration-line', value }];
  if (property === 'list-style' && parts.length === 1) return [{ property: 'list-style-type', value }];
  const border = /^border(?:-(top|right|bottom|left))?(?:-(style|width|color))?$/.exec(property);
  if (!border) return [{ property, value }];
  const [, side, what] = border;
  const sides = side === undefined ? SIDES : [side];
  return sides.flatMap((name) =>
    parts.map((part) => {
      const is =
        what ??
        (isColor(part)
          ? 'color'
          : part.type === 'Dimension' ||
              part.type === 'Number' ||
              /^(thin|medium|thick)$/.test(generate(part))
            ? 'width'
            : 'style');
      return { property: `border-${name}-${is}`, value: of(part) };
    }),
  );
}

/** What a declaration settles; null, and named, where it is not allowed or does not fit its property. */
function declarationIn({
  property,
  value,
}: {
  readonly property: string;
  readonly value: CssNode;
}): StyleDeclaration | null {
  if (!PROPERTIES.has(property)) return null;
  if (COLORED.has(property)) {
    const color = colorIn(value);
    return color === null ? null : { property, value: color };
  }
  const copy = valueIn(value);
  if (copy === null || lexer.matchProperty(property, copy).error !== null) return null;
  if (property !== 'font-size') return { property, value: copy };
  const share = shareOf(copy);
  if (share === null || share > FONT_SIZE.most) return null;
  return { property, value: `${Math.max(FONT_SIZE.least, share)}em` };
}

/**
 * Reads a style sheet of a package by allow-list; everything else is named with its line (QTI 3.0, `qti-stylesheet`). What it says of
 * lengths grows with the student's size, what it says of colors follows their scheme (core/view/styleSheet).
 */
export function readStyles(text: string, report: Reporter): StyleRule[] {
  const complain = (line: number, message: string) => report.warn('style-set-aside', line, message);
  if (text.length > MOST.letters) {
    complain(1, `the style sheet is set aside: it has more than ${MOST.letters} letters`);
    return [];
  }
  const sheet = parse(text, {
    positions: true,
    onParseError: (error) =>
      complain(error.line, `what cannot be read as CSS is set aside: ${error.message}`),
  }) as StyleSheet;
  const lineOf = (node: CssNode): number => node.loc?.start.line ?? 1;
  const ruleIn = (rule: Rule): StyleRule[] => {
    if (rule.prelude.type !== 'SelectorList') return [];
    const selectors = rule.prelude.children.toArray().flatMap((selector): string[] => {
      const found = selector.type === 'Selector' ? selectorIn(selector) : null;
      if (found === null) complain(lineOf(selector), `the selector ${generate(selector)} is set aside`);
      return found === null ? [] : [found];
    });
    const declarations = rule.block.children.toArray().flatMap((node): StyleDeclaration[] => {
      if (node.type !== 'Declaration') {
        complain(lineOf(node), `${generate(node).slice(0, 80)} is set aside`);
        return [];
      }
      const read = written(node).map(declarationIn);
      if (read.includes(null))
        complain(lineOf(node), `${generate(node).slice(0, 80)} is set aside, at least in part`);
      return read.flatMap((one) => one ?? []);
    });
    return selectors.length > 0 && declarations.length > 0 ? [{ selectors, declarations }] : [];
  };
  const rules = sheet.children.toArray().flatMap((node): StyleRule[] => {
    if (node.type === 'Rule') return ruleIn(node);
    if (node.type !== 'Comment' && node.type !== 'WhiteSpace')
      complain(lineOf(node), `${generate(node).slice(0, 80)} is set aside`);
    return [];
  });
  if (rules.length > MOST.rules)
    complain(1, `only the first ${MOST.rules} rules of the style sheet are kept`);
  return rules.slice(0, MOST.rules);
}
