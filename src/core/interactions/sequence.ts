import { responseTexts, type RawResponse } from '../item/response';
import { numberAttribute, type XmlElement } from '../qti/xml';
import { complete, empty, partial, type Progress } from './types';
import type { Counts } from './counts';

/** Things put one after another: the moves of ordering some, and of graphic order. */

/** How many are to be ordered: all of them unless `min-choices` or `max-choices` say otherwise (QTI 3.0, "order interaction"). */
export function readSequenceCounts(element: XmlElement, total: number): Counts {
  const written = numberAttribute(element, 'max-choices', 0);
  const maximum = written > 0 ? Math.min(written, total) : total;
  const minimum = Math.max(0, numberAttribute(element, 'min-choices', 0));
  return { minimum: minimum > 0 ? Math.min(minimum, maximum) : maximum, maximum };
}

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
