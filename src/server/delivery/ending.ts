import type { Db } from '../db/open';
import { say, type AttemptRow } from './attempts';
import { forgetAssets } from './content';
import { keepScores } from './scores';

/** Hands an attempt in and scores it: asked for by its student, by its clock, or (`by`: their name) by whoever supervises. */
export function handInNow(
  db: Db,
  attempt: AttemptRow,
  reason: 'asked' | 'time' | 'proctor',
  now: number,
  by?: string,
): AttemptRow {
  const after = say(db, attempt, { type: 'handed-in', reason, ...(by !== undefined && { by }) }, now);
  forgetAssets(db, attempt.id);
  keepScores(db, after, now);
  return after;
}
