import type { Sitting } from '@/core/sitting/sitting';
import { Plan } from '@/core/sitting/plan';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import type { TestContent } from '../library/library';
import type { AttemptRow } from './attempts';
import { contentOf, planOf, sittingOf } from './sittings';

/** The version of a test by whose keys it is scored: its own, or one in which a wrong key was corrected. */
export const keysOf = (db: Db, testId: number): number =>
  prepared<[number], { key: number }>(
    db,
    'SELECT key_test_id AS key FROM rescorings WHERE test_id = ? ORDER BY id DESC LIMIT 1',
  ).get(testId)?.key ?? testId;

/** The version in which a key was corrected; null where a test is scored by its own. */
function corrected(db: Db, { test_id: testId }: AttemptRow): TestContent | null {
  const key = keysOf(db, testId);
  return key === testId ? null : contentOf(db, { test_id: key });
}

/** How an attempt stands at a moment, scored by the keys that count now; where it went on the way is as it was. */
export function scoredSitting(db: Db, attempt: AttemptRow, at: number): Sitting {
  const sitting = sittingOf(db, attempt, at);
  const keys = corrected(db, attempt);
  return keys ? sitting.scoredBy(keys) : sitting;
}

/** An attempt's form laid over the questions by which it is scored. */
export function scoredPlan(db: Db, attempt: AttemptRow): Plan {
  const plan = planOf(db, attempt);
  const keys = corrected(db, attempt);
  return keys ? new Plan(keys, plan.form) : plan;
}
