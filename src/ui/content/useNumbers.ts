'use client';

import { useContext, useMemo } from 'react';
import { normaliseTypedNumber } from '@/core/content/response';
import { decimalSignOf, type DecimalSign } from '@/core/languages';
import { ContentLanguage } from './ContentView';

/** Numbers as a language writes them: what we draw and what is typed, beside the numbers of the content itself. */
export interface Numbers {
  /** What stands before the tenths. */
  readonly sign: DecimalSign;
  /** A number, or words with numbers and points in them, as it is written here. */
  readonly show: (text: string) => string;
  /** A number as it is typed here, with a point before the tenths. */
  readonly read: (text: string) => string;
  /**
   * A point as it is typed here. Where a comma stands before the tenths, a semicolon or blanks part the two numbers; a comma alone
   * parts them still, as `(1, 5)` is written everywhere.
   */
  readonly readPoint: (text: string) => string;
  /** LaTeX of an answer as it is drawn here; words in it stay as they are. */
  readonly showMaths: (latex: string) => string;
  /** Maths as it is written here, typed or as LaTeX, as answers keep it: with a point before the tenths. */
  readonly readMaths: (text: string) => string;
}

const as = (text: string) => text;
const POINT_ONLY: Numbers = {
  sign: '.',
  show: as,
  read: as,
  readPoint: as,
  showMaths: as,
  readMaths: as,
};

const NUMBER = /^[+\-\u2212\u2013]?\d+(?:,\d+)?$/;
function pointIn(text: string): string {
  const inside = text.trim().replace(/^\(/, '').replace(/\)$/, '').trim();
  const blanks = inside.split(/\s+/);
  const parts = inside.includes(';')
    ? inside.split(';')
    : blanks.length === 2 && blanks.every((part) => NUMBER.test(part))
      ? blanks
      : null;
  return parts ? parts.map((part) => normaliseTypedNumber(part, ',')).join('; ') : text;
}
/** In LaTeX a comma alone is followed by a space; in braces it belongs to the number. */
const MATHS = /\\text\{(?:[^{}\\]|\\.)*\}|\.(?=\d)/g;
const WITH_COMMA: Numbers = {
  sign: ',',
  show: (text) =>
    text.replace(/\([^()]*\)/g, (point) => point.replace(/, /g, '; ')).replace(/(\d)\.(\d)/g, '$1,$2'),
  read: (text) => normaliseTypedNumber(text, ','),
  readPoint: pointIn,
  showMaths: (latex) => latex.replace(MATHS, (found) => (found === '.' ? '{,}' : found)),
  readMaths: (text) => text.replace(/\{,\}|,(?=\d)/g, '.'),
};

/** Numbers as a decimal sign has them. */
export const numbersOf = (sign: DecimalSign): Numbers => (sign === ',' ? WITH_COMMA : POINT_ONLY);

/** Numbers as the language of the content here writes them; with a point where it does not say its language. */
export function useNumbers(): Numbers {
  const language = useContext(ContentLanguage);
  return useMemo(() => numbersOf(decimalSignOf(language)), [language]);
}
