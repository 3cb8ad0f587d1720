import { areFit, settle, type MarkingRule, type PersonPoints } from '@/core/marking/marking';
import { requireAct } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { anyAttempt, type AttemptRow } from '../delivery/attempts';
import { forgetAssets } from '../delivery/content';
import { scoreAgain } from '../delivery/late';
import { planOf } from '../delivery/sittings';
import { Refusal } from '../refusal';
import {
  answersReached,
  isFor,
  isReleased,
  keyOf,
  markingRule,
  marksBy,
  pointsIn,
  toBeMarked,
} from './marks';

/**
 * Keeps what a reader gives for an answer, beside everything given before; what comes of it counts at once.
 * @throws Refusal `not-yours`, `not-found`; `bad-input` for points the item does not ask for or that are out of bounds; `marked` where
 * others have marked it meanwhile; `released` once its results are
 */
export function mark(
  db: Db,
  by: User,
  given: {
    readonly attemptId: string;
    readonly ref: string;
    readonly points: PersonPoints;
    readonly note: string;
  },
  now: number,
): void {
  const { attemptId, ref, points, note } = given;
  db.transaction(() => {
    const attempt = toBeMarked(db, by, attemptId, ref);
    const item = planOf(db, attempt).placeOf(ref)?.item;
    if (!item || !areFit(item, points)) throw new Refusal('bad-input', 400);
    if (isReleased(db, attempt)) throw new Refusal('released', 409);
    const key = keyOf({ attempt_id: attemptId, item: ref });
    const rule = markingRule(db, attempt.test_id);
    const before = marksBy(db, attempt.test_id).get(key) ?? [];
    const own = before.some(({ reader_id: reader }) => reader === by.id);
    if (!own && !isFor(by, before, rule)) throw new Refusal('marked', 409);
    prepared(
      db,
      `INSERT INTO marks (attempt_id, item, reader_id, points, note, first_at, changed_at) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON CONFLICT (attempt_id, item, reader_id) DO UPDATE SET points = excluded.points, note = excluded.note,
         changed_at = excluded.changed_at`,
    ).run(attemptId, ref, by.id, JSON.stringify(points), note, now, now);
    prepared(db, 'INSERT INTO mark_log (attempt_id, item, reader_id, points, at) VALUES (?, ?, ?, ?, ?)').run(
      attemptId,
      ref,
      by.id,
      JSON.stringify(points),
      now,
    );
    settleAnswer(db, attempt, ref, rule);
  }).immediate();
}

/** Works out what comes of the marks of an answer, and scores its attempt by it. */
function settleAnswer(db: Db, attempt: AttemptRow, ref: string, rule: MarkingRule): void {
  const marks = marksBy(db, attempt.test_id).get(keyOf({ attempt_id: attempt.id, item: ref })) ?? [];
  const settled = settle(marks.map(pointsIn), rule);
  if (settled.state === 'settled')
    prepared(
      db,
      `INSERT INTO settled_marks (attempt_id, item, points) VALUES (?, ?, ?)
       ON CONFLICT (attempt_id, item) DO UPDATE SET points = excluded.points`,
    ).run(attempt.id, ref, JSON.stringify(settled.points));
  else prepared(db, 'DELETE FROM settled_marks WHERE attempt_id = ? AND item = ?').run(attempt.id, ref);
  forgetAssets(db, attempt.id);
  scoreAgain(db, attempt);
}

/**
 * Settles how the answers to a test are marked from now on; what is marked by now is looked at again by it.
 * @throws Refusal `not-yours`, `not-found`
 */
export function setMarkingRule(db: Db, by: User, testId: number, rule: MarkingRule): void {
  requireAct(by, 'see-results');
  db.transaction(() => {
    const answers = answersReached(db, by).filter((answer) => answer.test_id === testId);
    if (answers.length === 0) throw new Refusal('not-found', 404);
    prepared(
      db,
      `INSERT INTO marking_rules (test_id, readers, differ_by) VALUES (?, ?, ?)
       ON CONFLICT (test_id) DO UPDATE SET readers = excluded.readers, differ_by = excluded.differ_by`,
    ).run(testId, rule.readers, rule.differBy);
    const marked = marksBy(db, testId);
    for (const { attempt_id: id, item } of answers)
      if (marked.has(keyOf({ attempt_id: id, item }))) settleAnswer(db, anyAttempt(db, id), item, rule);
  }).immediate();
}
