import { own } from '../own';
import { FUNCTIONS, type FunctionName, type RelationOp } from './node';

export type Token =
  | { readonly k: 'num'; readonly text: string; readonly spaceBefore: boolean }
  | { readonly k: 'letter'; readonly name: string }
  | { readonly k: 'fn'; readonly name: FunctionName }
  | { readonly k: 'const'; readonly name: 'pi' | 'e' }
  | { readonly k: 'rel'; readonly op: RelationOp }
  | { readonly k: 'open' | 'close'; readonly bracket: '(' | '[' | '{' }
  | {
      readonly k:
        | '+'
        | '-'
        | '*'
        | '/'
        | ':'
        | '^'
        | '_'
        | '%'
        | '°'
        | '|'
        | 'frac'
        | 'sqrt'
        | 'root'
        | 'inf'
        | 'overline';
    };

/** Why a text is not mathematics we can read. */
export class Unreadable extends Error {}

/** The longest answer that is read; anything longer is unreadable (a school answer is under 200). */
export const MAX_LENGTH = 4000;

const SKIP = new Set([
  'left',
  'right',
  'mleft',
  'mright',
  'big',
  'Big',
  'bigg',
  'Bigg',
  'bigl',
  'bigr',
  'Bigl',
  'Bigr',
  'displaystyle',
  'textstyle',
  'quad',
  'qquad',
  'mathrm',
  'mathit',
  'mathbf',
  'text',
  'operatorname',
  'limits',
  'nolimits',
  'enspace',
  'thinspace',
]);
const RELATIONS: Readonly<Record<string, RelationOp>> = {
  '=': '=',
  '<': '<',
  '>': '>',
  '<=': '<=',
  '>=': '>=',
  '≤': '<=',
  '≥': '>=',
  '⩽': '<=',
  '⩾': '>=',
  '≠': '!=',
  '!=': '!=',
  lt: '<',
  gt: '>',
  le: '<=',
  leq: '<=',
  leqslant: '<=',
  ge: '>=',
  geq: '>=',
  geqslant: '>=',
  ne: '!=',
  neq: '!=',
};
const GREEK =
  /^(alpha|beta|gamma|delta|epsilon|varepsilon|zeta|eta|theta|kappa|lambda|mu|nu|xi|rho|sigma|tau|phi|varphi|chi|psi|omega|Delta|Theta|Omega)$/;
const FUNCTION_NAMES: Readonly<Record<string, FunctionName>> = {
  ...Object.fromEntries(FUNCTIONS.map((name) => [name, name])),
  asin: 'arcsin',
  acos: 'arccos',
  atan: 'arctan',
  lg: 'log',
};
const SUPERSCRIPTS: Readonly<Record<string, string>> = {
  '⁰': '0',
  '¹': '1',
  '²': '2',
  '³': '3',
  '⁴': '4',
  '⁵': '5',
  '⁶': '6',
  '⁷': '7',
  '⁸': '8',
  '⁹': '9',
  '⁻': '-',
};
const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
/** Words that may be typed without a backslash, longest first. */
const WORDS = [
  'infinity',
  'arcsin',
  'arccos',
  'arctan',
  'sqrt',
  'cbrt',
  'sinh',
  'cosh',
  'tanh',
  'asin',
  'acos',
  'atan',
  'sin',
  'cos',
  'tan',
  'cot',
  'sec',
  'csc',
  'log',
  'exp',
  'abs',
  'inf',
  'ln',
  'pi',
];

/** Writes superscripts, vulgar fractions and other single signs in the plain form the reader knows. */
function plain(source: string): string {
  return source
    .replace(/[⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+/g, (run) => `^(${[...run].map((c) => SUPERSCRIPTS[c] ?? '').join('')})`)
    .replace(/(\d?)([½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])/g, (_all, before: string, sign: string) =>
      before === '' ? `(${VULGAR[sign] ?? ''})` : `${before} ${VULGAR[sign] ?? ''}`,
    )
    .replace(/(\d)\{,\}(?=\d{3}(?!\d))/g, '$1,')
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/\\(?:operatorname|mathrm)\{([a-z]+)\}/g, (all, name: string) =>
      Object.hasOwn(FUNCTION_NAMES, name) ? `\\${name} ` : all,
    )
    .replace(/\\[,;:! ]|~|&nbsp;|\u00a0/g, ' ');
}

function command(name: string): Token | null {
  const relation = own(RELATIONS, name);
  if (relation) return { k: 'rel', op: relation };
  const fn = own(FUNCTION_NAMES, name);
  if (fn) return { k: 'fn', name: fn };
  if (GREEK.test(name)) return { k: 'letter', name };
  switch (name) {
    case 'frac':
    case 'dfrac':
    case 'tfrac':
    case 'cfrac':
      return { k: 'frac' };
    case 'sqrt':
      return { k: 'sqrt' };
    case 'cdot':
    case 'times':
    case 'ast':
      return { k: '*' };
    case 'div':
      return { k: ':' };
    case 'pi':
      return { k: 'const', name: 'pi' };
    case 'exponentialE':
      return { k: 'const', name: 'e' };
    case 'infty':
    case 'infin':
      return { k: 'inf' };
    case 'circ':
    case 'degree':
      return { k: '°' };
    case 'lvert':
    case 'rvert':
    case 'vert':
      return { k: '|' };
    case 'lbrace':
      return { k: 'open', bracket: '{' };
    case 'rbrace':
      return { k: 'close', bracket: '{' };
    case 'lbrack':
      return { k: 'open', bracket: '[' };
    case 'rbrack':
      return { k: 'close', bracket: '[' };
    case 'overline':
      return { k: 'overline' };
    case '{':
      return { k: 'open', bracket: '{' };
    case '}':
      return { k: 'close', bracket: '{' };
    case '%':
      return { k: '%' };
    default:
      return null;
  }
}

const SIGNS: Readonly<Record<string, Token>> = {
  '+': { k: '+' },
  '-': { k: '-' },
  '*': { k: '*' },
  '×': { k: '*' },
  '·': { k: '*' },
  '⋅': { k: '*' },
  '/': { k: '/' },
  '÷': { k: ':' },
  ':': { k: ':' },
  '^': { k: '^' },
  _: { k: '_' },
  '%': { k: '%' },
  '°': { k: '°' },
  '|': { k: '|' },
  '√': { k: 'root' },
  '∞': { k: 'inf' },
  π: { k: 'const', name: 'pi' },
  '(': { k: 'open', bracket: '(' },
  ')': { k: 'close', bracket: '(' },
  '[': { k: 'open', bracket: '[' },
  ']': { k: 'close', bracket: '[' },
  '{': { k: 'open', bracket: '{' },
  '}': { k: 'close', bracket: '{' },
};

const NUMERAL = /^(?:\d{1,3}(?:,\d{3})+(?![\d,])(?:\.\d+)?|\d+(?:\.\d*)?|\.\d+)/;

/** Cuts LaTeX or typed mathematics into tokens. @throws Unreadable */
export function tokenize(source: string): Token[] {
  if (source.length > MAX_LENGTH) throw new Unreadable('too long');
  const text = plain(source);
  const tokens: Token[] = [];
  let i = 0;
  let space = false;
  while (i < text.length) {
    const rest = text.slice(i, i + 400);
    const first = rest.charAt(0);
    if (/\s/.test(first)) {
      space = true;
      i += 1;
      continue;
    }
    const spaceBefore = space;
    space = false;
    const numeral = NUMERAL.exec(rest)?.[0];
    if (numeral !== undefined) {
      const full = /^[\d.]+$/.test(numeral)
        ? (/^\d+(?:\.\d*)?|^\.\d+/.exec(text.slice(i))?.[0] ?? numeral)
        : numeral;
      tokens.push({ k: 'num', text: full.replaceAll(',', ''), spaceBefore });
      i += full.length;
      continue;
    }
    if (first === '\\') {
      const name = /^\\([A-Za-z]+|.)/.exec(rest)?.[1] ?? '';
      i += 1 + name.length;
      if (SKIP.has(name)) continue;
      const token = command(name);
      if (!token) throw new Unreadable(`\\${name}`);
      tokens.push(token);
      continue;
    }
    const relation = /^(<=|>=|!=|[=<>≤≥⩽⩾≠])/.exec(rest)?.[1];
    const op = relation === undefined ? undefined : own(RELATIONS, relation);
    if (relation !== undefined && op) {
      tokens.push({ k: 'rel', op });
      i += relation.length;
      continue;
    }
    const word = WORDS.find((one) => rest.startsWith(one));
    if (word) {
      i += word.length;
      if (word === 'sqrt') tokens.push({ k: 'root' });
      else if (word === 'cbrt') throw new Unreadable(word);
      else if (word === 'pi') tokens.push({ k: 'const', name: 'pi' });
      else if (word === 'inf' || word === 'infinity') tokens.push({ k: 'inf' });
      else {
        const fn = own(FUNCTION_NAMES, word);
        if (fn) tokens.push({ k: 'fn', name: fn });
      }
      continue;
    }
    const sign = own(SIGNS, first);
    if (sign) tokens.push(sign);
    else if (/\p{L}/u.test(first)) tokens.push({ k: 'letter', name: first });
    else throw new Unreadable(first);
    i += 1;
  }
  return tokens;
}
