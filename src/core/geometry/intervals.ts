import * as q from '../math/rational';
import type { Rational } from '../math/rational';
import { readNumber } from './numbers';

/** An end of an interval; `at` is null for an infinite one, which is never closed. */
interface End {
  readonly at: Rational | null;
  readonly closed: boolean;
}
export interface Interval {
  readonly from: End;
  readonly to: End;
}

const INFINITY = /^([+-]?)(?:inf|infinity|∞|\\infty)$/i;
const PIECE = /^([[(])([^,;[\]()]+)[,;]([^,;[\]()]+)([\])])$/;

function readEnd(text: string, closed: boolean, side: 'from' | 'to'): End | null {
  const plain = text.trim().replace(/[\u2212\u2013]/g, '-');
  const infinite = INFINITY.exec(plain.replace(/\s+/g, ''));
  if (infinite) {
    const negative = infinite[1] === '-';
    return negative === (side === 'from') && !closed ? { at: null, closed: false } : null;
  }
  const at = readNumber(plain);
  return at && { at, closed };
}

const before = (a: Interval, b: Interval): number => {
  if (a.from.at === null || b.from.at === null)
    return a.from.at === b.from.at ? 0 : a.from.at === null ? -1 : 1;
  return q.compare(a.from.at, b.from.at) || Number(b.from.closed) - Number(a.from.closed);
};

/** Whether b begins where a still is, or just where it ends, with nothing left out between. */
function touches(a: Interval, b: Interval): boolean {
  if (a.to.at === null || b.from.at === null) return true;
  const order = q.compare(b.from.at, a.to.at);
  return order < 0 || (order === 0 && (a.to.closed || b.from.closed));
}

function later(a: End, b: End): End {
  if (a.at === null || b.at === null) return a.at === null ? a : b;
  const order = q.compare(a.at, b.at);
  return order === 0 ? { at: a.at, closed: a.closed || b.closed } : order > 0 ? a : b;
}

/** Whether an interval holds nothing: `(2,2)`, `[2,2)`. */
const isEmpty = ({ from, to }: Interval): boolean =>
  from.at !== null && to.at !== null && q.compare(from.at, to.at) === 0 && !(from.closed && to.closed);

/** The intervals of a text in interval notation, one by one as written; null when it cannot be read. */
export function readPieces(text: string): Interval[] | null {
  if (text.length > 2000) return null;
  const intervals: Interval[] = [];
  for (const piece of text.replace(/\\left|\\right|\\,|\s+/g, '').split(/U|∪|\\cup/i)) {
    const [, open, low, high, close] = PIECE.exec(piece) ?? [];
    if (low === undefined || high === undefined) return null;
    const from = readEnd(low, open === '[', 'from');
    const to = readEnd(high, close === ']', 'to');
    if (!from || !to) return null;
    if (from.at !== null && to.at !== null) {
      const order = q.compare(from.at, to.at);
      if (order > 0) return null;
    }
    intervals.push({ from, to });
  }
  return intervals;
}

/**
 * The set a text in interval notation means (`(-inf,2)U[5,7]`), as its fewest intervals in order; null when it cannot be
 * read. An infinite end is open; an interval that runs backwards cannot be read.
 */
export function readIntervals(text: string): Interval[] | null {
  const intervals = readPieces(text)?.filter((one) => !isEmpty(one));
  // Pieces that hold nothing add nothing; an answer of nothing else is no set anyone means.
  if (!intervals || intervals.length === 0) return null;
  return intervals.sort(before).reduce<Interval[]>((joined, interval) => {
    const last = joined.at(-1);
    if (last && touches(last, interval))
      joined[joined.length - 1] = { from: last.from, to: later(last.to, interval.to) };
    else joined.push(interval);
    return joined;
  }, []);
}

const sameEnd = (a: End, b: End): boolean =>
  a.closed === b.closed && (a.at === null || b.at === null ? a.at === b.at : q.equals(a.at, b.at));

/** Whether two texts mean the same set of numbers, ends open and closed alike. False for what cannot be read. */
export function sameIntervals(a: string, b: string): boolean {
  const [left, right] = [readIntervals(a), readIntervals(b)];
  if (!left || !right || left.length !== right.length) return false;
  return left.every((one, i) => {
    const other = right[i];
    return other !== undefined && sameEnd(one.from, other.from) && sameEnd(one.to, other.to);
  });
}
