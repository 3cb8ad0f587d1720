import { numberAttribute, type XmlElement } from '../qti/xml';
import { complete, empty, partial, type Progress } from './types';

/** How many are wanted and allowed. `maximum` 0 means any number (QTI 3.0, `max-choices`). */
export interface Counts {
  readonly minimum: number;
  readonly maximum: number;
}

/**
 * `min-*`/`max-*` as written. A maximum of several without a minimum is read as "that many are asked for"
 * (items.md, "How far an answer is": both decide the count); an explicit minimum is taken at its word.
 */
export function readCounts(element: XmlElement, kin: string, defaultMaximum: number): Counts {
  const maximum = Math.max(0, numberAttribute(element, `max-${kin}`, defaultMaximum));
  const written = element.attributes[`min-${kin}`] !== undefined;
  const minimum = written ? numberAttribute(element, `min-${kin}`, 0) : maximum > 1 ? maximum : 1;
  return { minimum: Math.max(1, maximum > 0 ? Math.min(minimum, maximum) : minimum), maximum };
}

/** Progress of a count: nothing, some of what is wanted, enough; too many is never complete. */
export function countProgress(count: number, { minimum, maximum }: Counts): Progress {
  if (count === 0) return empty('choose', { wanted: minimum, chosen: 0 });
  if (count < minimum) return partial('choose', { wanted: minimum, chosen: count });
  if (maximum > 0 && count > maximum) return partial('tooMany', { maximum, chosen: count });
  return complete;
}
