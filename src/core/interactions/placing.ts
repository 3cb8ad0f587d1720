import { pairFault } from './faults';
import type { Fault } from './types';
import { responseTexts, type RawResponse } from '../content/response';

/**
 * Pieces put into places: the moves of gap match, graphic gap match, match as lists, and ordering some. Dropping on a
 * filled place that holds one swaps; nothing is ever lost or made out of nothing (work.md, D7).
 */
export interface Board {
  /** What can be placed; `matchMax` copies of it, 0 = any number. */
  readonly pieces: readonly { readonly identifier: string; readonly matchMax: number }[];
  /** Where it can go; `capacity` pieces, 0 = any number. */
  readonly places: readonly { readonly identifier: string; readonly capacity: number }[];
  /** How many may be placed in all; 0 = any number. */
  readonly maximum: number;
}
export interface Placed {
  readonly piece: string;
  readonly place: string;
}
export type Placement = readonly Placed[];

/** What a move did, for the announcement. */
export type PlaceMove =
  | {
      readonly kind: 'changed';
      readonly placement: Placement;
      /** What lay in the place before and had to go. */
      readonly displaced: string | null;
      /** Where it went: the place it swapped into, or `null` for the list. */
      readonly displacedTo: string | null;
    }
  | { readonly kind: 'same' }
  | { readonly kind: 'no-copy' }
  | { readonly kind: 'full'; readonly who: 'place' | 'all'; readonly maximum: number };

/** The placement a response says: pairs of piece and place. */
export function placementOf(response: RawResponse): Placement {
  return responseTexts(response).flatMap((pair) => {
    const [piece, place] = pair.trim().split(/\s+/);
    return piece && place ? [{ piece, place }] : [];
  });
}

/** The response for a placement, in the order of the places; `null` when nothing is placed. */
export function pairsOf(board: Board, placement: Placement): RawResponse {
  const order = board.places.map((place) => place.identifier);
  const pairs = [...placement]
    .sort((a, b) => order.indexOf(a.place) - order.indexOf(b.place))
    .map(({ piece, place }) => `${piece} ${place}`);
  return pairs.length > 0 ? pairs : null;
}

/** The pieces in a place, in the order they came. */
export const piecesIn = (placement: Placement, place: string): string[] =>
  placement.filter((one) => one.place === place).map((one) => one.piece);

/** Copies of a piece still in the list; `Infinity` when it may be used any number of times. */
export function copiesLeft(piece: Board['pieces'][number], placement: Placement): number {
  const used = placement.filter((one) => one.piece === piece.identifier).length;
  return piece.matchMax === 0 ? Infinity : Math.max(0, piece.matchMax - used);
}

/** Takes a piece out of a place, back to the list. */
export function takeOut(placement: Placement, piece: string, place: string): Placement {
  const at = placement.findIndex((one) => one.piece === piece && one.place === place);
  return at < 0 ? placement : placement.filter((_, i) => i !== at);
}

/** Puts a piece into a place, from the list (`from` null) or from another place. */
export function putInto(
  board: Board,
  placement: Placement,
  piece: string,
  target: string,
  from: string | null,
): PlaceMove {
  const known = board.pieces.find((one) => one.identifier === piece);
  const place = board.places.find((one) => one.identifier === target);
  if (!known || !place || from === target) return { kind: 'same' };
  if (piecesIn(placement, target).includes(piece)) return { kind: 'same' };
  if (from === null && copiesLeft(known, placement) === 0) return { kind: 'no-copy' };
  const without = from === null ? placement : takeOut(placement, piece, from);
  const inside = piecesIn(without, target);
  const displaced = place.capacity === 1 ? (inside[0] ?? null) : null;
  if (place.capacity > 1 && inside.length >= place.capacity)
    return { kind: 'full', who: 'place', maximum: place.capacity };
  if (from === null && displaced === null && board.maximum > 0 && without.length >= board.maximum)
    return { kind: 'full', who: 'all', maximum: board.maximum };
  if (displaced === null)
    return {
      kind: 'changed',
      placement: [...without, { piece, place: target }],
      displaced,
      displacedTo: null,
    };
  // What lay there goes where the new one came from, if it may be there.
  const goesBack = from !== null && !piecesIn(without, from).includes(displaced);
  const next = takeOut(without, displaced, target);
  return {
    kind: 'changed',
    placement: [...next, ...(goesBack ? [{ piece: displaced, place: from }] : []), { piece, place: target }],
    displaced,
    displacedTo: goesBack ? from : null,
  };
}

/** How many can be placed at all: bounded by the copies, the places and the maximum. */
export function placeable(board: Board): number {
  const sum = (numbers: readonly number[]) =>
    numbers.reduce((total, one) => total + (one === 0 ? Infinity : one), 0);
  return Math.min(
    sum(board.pieces.map((one) => one.matchMax)),
    sum(board.places.map((one) => one.capacity)),
    board.maximum === 0 ? Infinity : board.maximum,
  );
}

/** What a placement on a board can never be. */
export const boardFault = ({ pieces, places, maximum }: Board, texts: readonly string[]): Fault | null =>
  pairFault(
    pieces.map(({ identifier, matchMax }) => ({ identifier, most: matchMax })),
    places.map(({ identifier, capacity }) => ({ identifier, most: capacity })),
    texts,
    maximum,
    true,
  );
