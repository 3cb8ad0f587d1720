import { complete, empty, partial, type Progress } from './types';

/** How many are wanted and allowed. `maximum` 0 means any number (QTI 3.0, `max-choices`). */
export interface Counts {
  readonly minimum: number;
  readonly maximum: number;
}

/** Progress of a count: nothing, some of what is wanted, enough; too many is never complete. */
export function countProgress(count: number, { minimum, maximum }: Counts): Progress {
  if (count === 0) return empty('choose', { wanted: minimum, chosen: 0 });
  if (count < minimum) return partial('choose', { wanted: minimum, chosen: count });
  if (maximum > 0 && count > maximum) return partial('tooMany', { maximum, chosen: count });
  return complete;
}
