import type { Fault } from './types';

/** What the answers of several interactions have in common: which they can never be. */

const isTwice = (texts: readonly string[]): boolean => new Set(texts).size < texts.length;

/** Identifiers of what is offered, each once, at most so many (0 = any number). */
export function choiceFault(
  offered: readonly string[],
  texts: readonly string[],
  maximum: number,
): Fault | null {
  if (texts.some((text) => !offered.includes(text))) return 'unknown';
  if (isTwice(texts)) return 'impossible';
  return maximum > 0 && texts.length > maximum ? 'too-many' : null;
}

/** Something offered on one side of a pair, and how many pairs it may be in (0 = any number). */
export interface PairEnd {
  readonly identifier: string;
  readonly most: number;
}
/**
 * Pairs of what is offered, each once, nothing in more pairs than it may be.
 * @param directed whether first and second come from lists of their own
 */
export function pairFault(
  firsts: readonly PairEnd[],
  seconds: readonly PairEnd[],
  texts: readonly string[],
  maximum: number,
  directed: boolean,
): Fault | null {
  const pairs = texts.map((text) => text.trim().split(/\s+/));
  if (pairs.some((pair) => pair.length !== 2)) return 'impossible';
  const known = (list: readonly PairEnd[], name = '') => list.some(({ identifier }) => identifier === name);
  if (pairs.some(([a, b]) => !known(firsts, a) || !known(seconds, b))) return 'unknown';
  if (isTwice(pairs.map((pair) => (directed ? pair : [...pair].sort()).join(' ')))) return 'impossible';
  if (maximum > 0 && pairs.length > maximum) return 'too-many';
  const over = (list: readonly PairEnd[], uses: (name: string) => number) =>
    list.some(({ identifier, most }) => most > 0 && uses(identifier) > most);
  const asFirst = (name: string) => pairs.filter(([a]) => a === name).length;
  const asSecond = (name: string) => pairs.filter(([, b]) => b === name).length;
  const tooOften = directed
    ? over(firsts, asFirst) || over(seconds, asSecond)
    : over(firsts, (name) => asFirst(name) + asSecond(name));
  return tooOften ? 'too-many' : null;
}

/** Points inside a picture of known size, at most so many. */
export function pointFault(
  texts: readonly string[],
  { width, height }: { readonly width: number | null; readonly height: number | null },
  maximum: number,
): Fault | null {
  const outside = texts.some((text) => {
    const [x = NaN, y = NaN] = text
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    return !(x >= 0 && y >= 0 && x <= (width ?? Infinity) && y <= (height ?? Infinity));
  });
  if (outside) return 'impossible';
  return maximum > 0 && texts.length > maximum ? 'too-many' : null;
}

/** Numbers between two ends, on steps from the first where there is a step. */
export function numberFault(texts: readonly string[], low: number, high: number, step = 0): Fault | null {
  const off = texts.some((text) => {
    const value = Number(text);
    if (text.trim() === '' || !(value >= low - 1e-9 && value <= high + 1e-9)) return true;
    if (step <= 0) return false;
    const steps = (value - low) / step;
    return Math.abs(steps - Math.round(steps)) > 1e-6;
  });
  return off ? 'impossible' : null;
}
