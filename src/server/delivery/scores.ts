import { toJson, type Value } from '@/core/content/value';
import type { PersonPoints } from '@/core/marking/marking';
import { progressOfItem } from '@/core/item/progress';
import { scoredBy } from '@/core/processing/score';
import type { ProgressState } from '@/core/interactions/types';
import type { Sitting } from '@/core/sitting/sitting';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import type { AttemptRow } from './attempts';
import { keysOf, scoredSitting } from './keys';

const inJson = (outcomes: Readonly<Record<string, Value>>): string =>
  JSON.stringify(Object.fromEntries(Object.entries(outcomes).map(([name, value]) => [name, toJson(value)])));

/** Whether nobody has to mark a question any more: a machine did, or there is nothing to mark. */
export const isMarked = (by: ReturnType<typeof scoredBy>, progress: ProgressState): boolean =>
  by === 'machine' || progress === 'empty';

/** What persons gave for the questions of an attempt, where that is settled. */
export const settledMarks = (db: Db, attemptId: string): Map<string, PersonPoints> =>
  new Map(
    prepared<[string], { item: string; points: string }>(
      db,
      'SELECT item, points FROM settled_marks WHERE attempt_id = ?',
    )
      .all(attemptId)
      .map(({ item, points }) => [item, JSON.parse(points) as PersonPoints]),
  );

/** A sitting as a machine scores it, with what persons gave for its questions. */
export const withMarks = (asMachine: Sitting, given: ReadonlyMap<string, PersonPoints>): Sitting =>
  given.size > 0 ? asMachine.marked(given) : asMachine;

/** How an attempt stands at a moment, scored by the keys that count now and by what persons gave for it. */
export const markedSitting = (db: Db, attempt: AttemptRow, at: number): Sitting =>
  withMarks(scoredSitting(db, attempt, at), settledMarks(db, attempt.id));

/** Keeps the scores of an attempt that is over: of every question it has, and of the test where it scores itself. */
export function keepScores(db: Db, attempt: AttemptRow, at: number): void {
  const { id: attemptId } = attempt;
  const given = settledMarks(db, attemptId);
  const sitting = withMarks(scoredSitting(db, attempt, at), given);
  const { plan, state } = sitting;
  const toMark = new Set<string>();
  for (const place of plan.places) {
    const question = state.questions.get(place.ref);
    if (!question?.score || state.leftOut.has(place.ref)) continue;
    const { item } = place;
    const progress = progressOfItem(item, Object.fromEntries(question.responses)).state;
    const by = scoredBy(item);
    const marked = given.has(place.ref);
    if (!marked && !isMarked(by, progress)) toMark.add(place.ref);
    prepared(
      db,
      `INSERT INTO item_results (attempt_id, item, outcomes, progress, scored_by, marked, used_ms) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON CONFLICT (attempt_id, item) DO UPDATE SET outcomes = excluded.outcomes, progress = excluded.progress,
         scored_by = excluded.scored_by, marked = excluded.marked, used_ms = excluded.used_ms`,
    ).run(
      attemptId,
      place.ref,
      inJson(question.score.outcomes),
      progress,
      by,
      Number(marked),
      Math.round(state.usedQuestions.get(place.ref) ?? 0),
    );
  }
  const scoresItself = plan.content.test.outcomeProcessing.length > 0;
  prepared(
    db,
    `INSERT INTO test_results (attempt_id, outcomes, points, key_test_id, written)
     VALUES (?, ?, ?, ?, (SELECT coalesce(max(written), 0) + 1 FROM test_results))
     ON CONFLICT (attempt_id) DO UPDATE SET outcomes = excluded.outcomes, points = excluded.points, key_test_id = excluded.key_test_id,
       written = excluded.written`,
  ).run(
    attemptId,
    inJson(scoresItself ? state.outcomes : {}),
    JSON.stringify(sitting.points(({ ref }) => !toMark.has(ref))),
    keysOf(db, attempt.test_id),
  );
}
