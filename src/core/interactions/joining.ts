import { responseTexts, type RawResponse } from '../content/response';
import { complete, empty, partial, type Fault, type Progress } from './types';
import type { Counts } from './counts';
import { pairFault } from './faults';

/** Two things joined to a pair, in either order: the moves of associate and graphic associate. */
export interface Joinable {
  readonly identifier: string;
  /** Pairs it may be in; 0 = any number. */
  readonly matchMax: number;
  readonly matchMin: number;
}
export type Pair = readonly [string, string];

export type JoinMove =
  | { readonly kind: 'changed'; readonly pairs: readonly Pair[] }
  /** They are joined already. */
  | { readonly kind: 'same' }
  /** That many pairs in all, or that many with this one, are reached. */
  | { readonly kind: 'full'; readonly who: string | null; readonly maximum: number };

/** The pairs a response says. */
export function joinedPairs(response: RawResponse): Pair[] {
  return responseTexts(response).flatMap((text): Pair[] => {
    const [a, b] = text.trim().split(/\s+/);
    return a && b ? [[a, b]] : [];
  });
}

export const pairTexts = (pairs: readonly Pair[]): RawResponse =>
  pairs.length > 0 ? pairs.map(([a, b]) => `${a} ${b}`) : null;

const isPair = ([a, b]: Pair, x: string, y: string) => (a === x && b === y) || (a === y && b === x);

/** In how many pairs something stands; both ends count. */
export const uses = (pairs: readonly Pair[], identifier: string): number =>
  pairs.reduce((sum, [a, b]) => sum + Number(a === identifier) + Number(b === identifier), 0);

/** Joins two. One that is in all the pairs it may be in, or a pair too many, changes nothing and says so. */
export function join(
  offers: readonly Joinable[],
  maximum: number,
  pairs: readonly Pair[],
  a: string,
  b: string,
): JoinMove {
  if (pairs.some((pair) => isPair(pair, a, b))) return { kind: 'same' };
  for (const identifier of a === b ? [a] : [a, b]) {
    const offer = offers.find((one) => one.identifier === identifier);
    if (!offer) return { kind: 'same' };
    const wanted = uses(pairs, identifier) + (a === b ? 2 : 1);
    if (offer.matchMax > 0 && wanted > offer.matchMax)
      return { kind: 'full', who: identifier, maximum: offer.matchMax };
  }
  if (maximum > 0 && pairs.length >= maximum) return { kind: 'full', who: null, maximum };
  return { kind: 'changed', pairs: [...pairs, [a, b]] };
}

/** Takes a pair apart. */
export const part = (pairs: readonly Pair[], a: string, b: string): Pair[] =>
  pairs.filter((pair) => !isPair(pair, a, b));

/** Progress of pairs: as many as asked for, and each that must be in some is. */
export function joinProgress(
  offers: readonly Joinable[],
  { minimum, maximum }: Counts,
  response: RawResponse,
): Progress {
  // A pair of something that is not offered is no pair; nobody can make it by hand.
  const known = new Set(offers.map((one) => one.identifier));
  const pairs = joinedPairs(response).filter((pair) => pair.every((end) => known.has(end)));
  const ends = offers.reduce((sum, one) => sum + (one.matchMax === 0 ? Infinity : one.matchMax), 0);
  const wanted = Math.max(1, Math.min(minimum, Math.floor(ends / 2)));
  if (pairs.length === 0) return empty('pairs', { wanted, made: 0 });
  if (maximum > 0 && pairs.length > maximum) return partial('tooMany', { maximum, chosen: pairs.length });
  const left = offers.some((one) => uses(pairs, one.identifier) < one.matchMin);
  return pairs.length < wanted || left
    ? partial('pairs', { wanted: Math.max(wanted, pairs.length + Number(left)), made: pairs.length })
    : complete;
}

/** What pairs of these can never be. */
export const joinFault = (
  offers: readonly Joinable[],
  { maximum }: Counts,
  texts: readonly string[],
): Fault | null => {
  const ends = offers.map(({ identifier, matchMax }) => ({ identifier, most: matchMax }));
  return pairFault(ends, ends, texts, maximum, false);
};
