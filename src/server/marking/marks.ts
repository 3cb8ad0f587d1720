import { ONE_READER, settle, type MarkingRule, type PersonPoints } from '@/core/marking/marking';
import { IS_REACHED, reachFor } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { FOR_REAL } from '../delivery/assignments';
import { attemptReached, type AttemptRow } from '../delivery/attempts';
import { Refusal } from '../refusal';

/** An answer that a person marks. */
export interface AnswerRow {
  readonly attempt_id: string;
  readonly test_id: number;
  readonly item: string;
  readonly title: string;
  /** 1: its results were held and have been released, so its marks stay. */
  readonly released: number;
}
/** What one reader gave. */
export interface MarkRow {
  readonly attempt_id: string;
  readonly item: string;
  readonly reader_id: number;
  readonly points: string;
  readonly note: string;
}

/** In SQL: a result that a person marks, whether it is done or not. */
export const A_PERSON_MARKS = "r.scored_by <> 'machine' AND r.progress <> 'empty'";

/** How the answers to a test are marked. */
export function markingRule(db: Db, testId: number): MarkingRule {
  const row = prepared<[number], { readers: 1 | 2; differ_by: number }>(
    db,
    'SELECT readers, differ_by FROM marking_rules WHERE test_id = ?',
  ).get(testId);
  return row ? { readers: row.readers, differBy: row.differ_by } : ONE_READER;
}

/** The answers somebody may mark, of one question or of all. */
export function answersReached(
  db: Db,
  by: User,
  only?: { readonly testId: number; readonly ref: string },
): AnswerRow[] {
  return prepared<[string, number, number | null, number | null, string | null], AnswerRow>(
    db,
    `SELECT r.attempt_id, p.test_id, r.item, t.title, a.released_at IS NOT NULL AS released FROM item_results r
       JOIN attempts p ON p.id = r.attempt_id JOIN assignments a ON a.id = p.assignment_id JOIN users u ON u.id = p.user_id JOIN tests t ON t.id = p.test_id
     WHERE ${A_PERSON_MARKS} AND ${FOR_REAL} AND ${IS_REACHED} AND (? IS NULL OR (p.test_id = ? AND r.item = ?))`,
  ).all(...reachFor(by, 'mark'), only?.testId ?? null, only?.testId ?? null, only?.ref ?? null);
}

/** The marks of answers by attempt and question, each list in the order in which its readers came. */
export function marksBy(db: Db, testId: number): Map<string, MarkRow[]> {
  const rows = prepared<[number], MarkRow>(
    db,
    `SELECT m.attempt_id, m.item, m.reader_id, m.points, m.note FROM marks m JOIN attempts p ON p.id = m.attempt_id
     WHERE p.test_id = ? ORDER BY m.first_at, m.reader_id`,
  ).all(testId);
  const all = new Map<string, MarkRow[]>();
  for (const row of rows) {
    const key = keyOf(row);
    all.set(key, [...(all.get(key) ?? []), row]);
  }
  return all;
}
/** What an answer's marks are found under. */
export const keyOf = ({ attempt_id: attempt, item }: Pick<AnswerRow, 'attempt_id' | 'item'>) =>
  `${attempt} ${item}`;
export const pointsIn = ({ points }: Pick<MarkRow, 'points'>): PersonPoints =>
  JSON.parse(points) as PersonPoints;

/** Whether a reader can mark an answer: it waits for one more, and they are not among those who have. */
export function isFor(by: User, marks: readonly MarkRow[], rule: MarkingRule): boolean {
  return settle(marks.map(pointsIn), rule).state === 'waits' && !marks.some((one) => one.reader_id === by.id);
}

/** An attempt that is over, of which a person marks that question. @throws Refusal `not-yours`, `not-found` */
export function toBeMarked(db: Db, by: User, attemptId: string, ref: string): AttemptRow {
  const attempt = attemptReached(db, by, 'mark', attemptId);
  const row = prepared<[string, string], { item: string }>(
    db,
    `SELECT r.item FROM item_results r WHERE r.attempt_id = ? AND r.item = ? AND ${A_PERSON_MARKS}`,
  ).get(attemptId, ref);
  if (!row || attempt.phase !== 'handed-in') throw new Refusal('not-found', 404);
  return attempt;
}

/** Once results that were held have been released, what they say stays. */
export const isReleased = (db: Db, attempt: AttemptRow): boolean =>
  prepared<[number], { at: number | null }>(db, 'SELECT released_at AS at FROM assignments WHERE id = ?').get(
    attempt.assignment_id,
  )?.at !== null;
