import { responseTexts, type RawResponse } from '../content/response';
import { complete, empty, partial, type Progress } from './types';
import type { Counts } from './counts';

/** Things put one after another: the moves of ordering some, and of graphic order. */

/** The order so far: known things, each once. */
export function sequenceOf(known: readonly string[], response: RawResponse): string[] {
  return responseTexts(response).filter(
    (identifier, i, list) => known.includes(identifier) && list.indexOf(identifier) === i,
  );
}

export const sequenceResponse = (sequence: readonly string[]): RawResponse =>
  sequence.length > 0 ? sequence : null;

/** Moves one to a place (from 0), or puts it in there; the others close up. */
export function moveTo(sequence: readonly string[], identifier: string, place: number): string[] {
  const rest = sequence.filter((other) => other !== identifier);
  const at = Math.max(0, Math.min(rest.length, place));
  return [...rest.slice(0, at), identifier, ...rest.slice(at)];
}

/** Progress of an order: how many of those wanted stand in it. */
export function sequenceProgress(placed: number, { minimum, maximum }: Counts): Progress {
  if (placed === 0) return empty('notSet');
  if (placed > maximum) return partial('tooMany', { maximum, chosen: placed });
  return placed < minimum ? partial('ordered', { wanted: minimum, placed }) : complete;
}
