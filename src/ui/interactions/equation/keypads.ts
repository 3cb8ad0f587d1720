import type { EquationModel } from '@/core/interactions/equation';
import type { DecimalSign } from '@/core/languages';

/** A key: what it shows, its message key for a screen reader, and what it does in the editor. */
export interface Key {
  readonly face: string;
  readonly words: string;
  readonly insert?: string;
  readonly command?:
    | 'moveToPreviousChar'
    | 'moveToNextChar'
    | 'moveAfterParent'
    | 'deleteBackward'
    | 'deleteAll'
    | 'insertDecimalSeparator';
}

const put = (face: string, words: string, insert = face): Key => ({ face, words, insert });
const digit = (d: string): Key => put(d, 'digit');

const NUMBERS: readonly Key[] = [...'7894561230'].map(digit);
const TENTHS: Readonly<Record<DecimalSign, Key>> = {
  '.': { face: '.', words: 'point', command: 'insertDecimalSeparator' },
  ',': { face: ',', words: 'comma', command: 'insertDecimalSeparator' },
};
const SIGNS: readonly Key[] = [
  put('+', 'plus'),
  put('−', 'minus', '-'),
  put('×', 'times', '\\times'),
  put('÷', 'divided', '\\div'),
];
const BRACKETS = put('( )', 'brackets', '\\left(#0\\right)');
const FRACTION = put('a/b', 'fraction', '\\frac{#@}{#?}');
const MIXED = put('1 a/b', 'mixed', '#?\\frac{#?}{#?}');
const POWER = put('xⁿ', 'power', '#@^{#?}');
const ROOT = put('√', 'root', '\\sqrt{#0}');
const PI = put('π', 'pi', '\\pi');
const DEGREES = put('°', 'degrees', '^{\\circ}');
const LETTERS = ['x', 'y', 'n', 'a', 'b'].map((letter) => put(letter, 'letter'));
const EQUALS = put('=', 'equals');
const INEQUALITIES = [
  put('<', 'less'),
  put('>', 'greater'),
  put('≤', 'atMost', '\\le'),
  put('≥', 'atLeast', '\\ge'),
];

/** Keys in groups, by the keypad the question names and by what it asks for, and what its language writes before the tenths. */
export function keysFor({ keypad, mode }: EquationModel, sign: DecimalSign): readonly (readonly Key[])[] {
  const relations =
    mode === 'equation'
      ? [EQUALS]
      : mode === 'inequality'
        ? INEQUALITIES
        : keypad === 'all' || mode === 'work'
          ? [EQUALS, ...INEQUALITIES]
          : [];
  const structure: Record<EquationModel['keypad'], readonly Key[]> = {
    numbers: [BRACKETS],
    fractions: [FRACTION, MIXED, BRACKETS],
    algebra: [FRACTION, POWER, ROOT, BRACKETS, ...LETTERS],
    geometry: [FRACTION, POWER, ROOT, PI, DEGREES, BRACKETS, ...LETTERS.slice(0, 2)],
    all: [FRACTION, MIXED, POWER, ROOT, PI, DEGREES, BRACKETS, ...LETTERS],
  };
  return [[...NUMBERS, TENTHS[sign]], [...SIGNS, ...relations], structure[keypad]];
}

/** Moving about and taking away: the same on every keypad. */
export const MOVES: readonly Key[] = [
  { face: '←', words: 'left', command: 'moveToPreviousChar' },
  { face: '→', words: 'right', command: 'moveToNextChar' },
  { face: '⤴', words: 'out', command: 'moveAfterParent' },
  { face: '⌫', words: 'delete', command: 'deleteBackward' },
];
