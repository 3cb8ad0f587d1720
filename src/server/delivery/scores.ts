import { toJson, type Value } from '@/core/content/value';
import { progressOfItem } from '@/core/item/progress';
import { scoredBy } from '@/core/processing/score';
import type { Sitting } from '@/core/sitting/sitting';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';

const inJson = (outcomes: Readonly<Record<string, Value>>): string =>
  JSON.stringify(Object.fromEntries(Object.entries(outcomes).map(([name, value]) => [name, toJson(value)])));

/** Keeps the scores of a sitting that is over: of every question it has, and of the test where it scores itself. */
export function keepScores(db: Db, attemptId: string, { plan, state }: Sitting): void {
  for (const place of plan.places) {
    const question = state.questions.get(place.ref);
    if (!question?.score || state.leftOut.has(place.ref)) continue;
    const { item } = place;
    prepared(
      db,
      `INSERT INTO item_results (attempt_id, item, outcomes, progress, scored_by) VALUES (?, ?, ?, ?, ?)
       ON CONFLICT (attempt_id, item) DO UPDATE SET outcomes = excluded.outcomes, progress = excluded.progress, scored_by = excluded.scored_by`,
    ).run(
      attemptId,
      place.ref,
      inJson(question.score.outcomes),
      progressOfItem(item, Object.fromEntries(question.responses)).state,
      scoredBy(item),
    );
  }
  if (plan.content.test.outcomeProcessing.length === 0) return;
  prepared(
    db,
    `INSERT INTO test_results (attempt_id, outcomes) VALUES (?, ?)
     ON CONFLICT (attempt_id) DO UPDATE SET outcomes = excluded.outcomes`,
  ).run(attemptId, inJson(state.outcomes));
}
