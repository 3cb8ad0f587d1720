import { createHash } from 'node:crypto';
import type { StudentResult, TestWithResults } from '@/core/wire/results';
import type { Item } from '@/core/item/item';
import type { ProgressState } from '@/core/interactions/types';
import { readPoints } from '@/core/sitting/points';
import { IS_REACHED, reachFor } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { FOR_REAL } from '../delivery/assignments';
import { anyAttempt } from '../delivery/attempts';
import { forgetAssets } from '../delivery/content';
import { scoredPlan } from '../delivery/keys';
import { Refusal } from '../refusal';

/** In SQL: something of the attempt `p` is still to be marked by a person; looked up where only what is to be marked stands. */
const TO_MARK =
  "EXISTS (SELECT 1 FROM item_results r INDEXED BY item_results_to_mark WHERE r.attempt_id = p.id AND r.marked = 0 AND r.scored_by <> 'machine' AND r.progress <> 'empty')";
/** In SQL: what came of the attempt `p` at the assignment `a` is not told yet. */
const HELD = "(json_extract(a.options, '$.held') = 1 AND a.released_at IS NULL)";

/** The tests that the students somebody reaches have handed in, by title. @throws Refusal `not-yours` */
export const testsWithResults = (db: Db, by: User): TestWithResults[] =>
  prepared<[string, number], TestWithResults>(
    db,
    `SELECT t.id AS testId, t.title, g.imported_at AS importedAt, count(*) AS handedIn, sum(${TO_MARK}) AS toMark, sum(${HELD}) AS held,
       sum(json_extract(a.options, '$.held') = 1 AND a.released_at IS NOT NULL) AS released
     FROM attempts p JOIN users u ON u.id = p.user_id JOIN assignments a ON a.id = p.assignment_id
       JOIN tests t ON t.id = p.test_id JOIN packages g ON g.id = t.package_id
     WHERE p.phase = 'handed-in' AND ${FOR_REAL} AND ${IS_REACHED} GROUP BY t.id ORDER BY t.title, t.id`,
  ).all(...reachFor(by, 'see-results'));

interface ResultRow extends Omit<StudentResult, 'points' | 'toMark' | 'held'> {
  readonly points: string | null;
  readonly toMark: number;
  readonly held: number;
}

/** The attempts at a test that the students somebody reaches have handed in, by name. @throws Refusal `not-yours` */
export const resultsOfTest = (db: Db, by: User, testId: number): StudentResult[] =>
  prepared<[number, string, number], ResultRow>(
    db,
    `SELECT p.id AS attemptId, u.display_name AS student, u.sign_in_name AS signInName, p.handed_in_at AS handedInAt, p.used_ms AS usedMs,
       r.points, ${TO_MARK} AS toMark, ${HELD} AS held
     FROM attempts p JOIN users u ON u.id = p.user_id JOIN assignments a ON a.id = p.assignment_id
       LEFT JOIN test_results r ON r.attempt_id = p.id
     WHERE p.test_id = ? AND p.phase = 'handed-in' AND ${FOR_REAL} AND ${IS_REACHED} ORDER BY u.display_name, p.begun_at`,
  )
    .all(testId, ...reachFor(by, 'see-results'))
    .map((row) => ({
      ...row,
      points: row.points === null ? null : readPoints(row.points),
      toMark: row.toMark === 1,
      held: row.held === 1,
    }));

/** What stands behind everything that is worked out of a test's results as somebody sees them: while it is the same, so is that. */
export function resultsBehind(db: Db, by: User, testId: number): string {
  const hash = createHash('sha256');
  const rows = prepared<[number, string, number], { attempt: string; written: number | null }>(
    db,
    `SELECT p.id AS attempt, r.written
     FROM attempts p JOIN users u ON u.id = p.user_id JOIN assignments a ON a.id = p.assignment_id LEFT JOIN test_results r ON r.attempt_id = p.id
     WHERE p.test_id = ? AND p.phase = 'handed-in' AND ${FOR_REAL} AND ${IS_REACHED} ORDER BY p.id`,
  );
  for (const { attempt, written } of rows.iterate(testId, ...reachFor(by, 'see-results')))
    hash.update(`${attempt} ${written ?? '-'};`);
  return hash.digest('base64');
}

/** What one attempt got for one question. */
export interface QuestionRow {
  readonly attemptId: string;
  readonly ref: string;
  readonly score: number | null;
  readonly maximum: number | null;
  readonly progress: ProgressState;
  /** Nobody has still to mark it. */
  readonly marked: boolean;
  readonly usedMs: number | null;
  /** Of the first attempt its student made. */
  readonly first: boolean;
}

type RawRow = [
  attemptId: string,
  ref: string,
  score: number | null,
  maximum: number | null,
  progress: ProgressState,
  marked: number,
  usedMs: number | null,
  first: number,
];

/**
 * Every question of every attempt at a test that somebody may see. What is so of a whole attempt is asked once for each, and rows come as
 * lists: there may be a million of them.
 * @throws Refusal `not-yours`
 */
export const questionRows = (db: Db, by: User, testId: number): QuestionRow[] =>
  prepared<[number, string, number], RawRow>(
    db,
    `WITH seen AS MATERIALIZED (
       SELECT p.id, NOT EXISTS (SELECT 1 FROM attempts q WHERE q.assignment_id = p.assignment_id AND q.begun_at < p.begun_at) AS first
       FROM attempts p JOIN users u ON u.id = p.user_id JOIN assignments a ON a.id = p.assignment_id
       WHERE p.test_id = ? AND p.phase = 'handed-in' AND ${FOR_REAL} AND ${IS_REACHED})
     SELECT r.attempt_id, r.item, json_extract(r.outcomes, '$.SCORE'), json_extract(r.outcomes, '$.MAXSCORE'), r.progress,
       r.marked = 1 OR r.scored_by = 'machine' OR r.progress = 'empty', r.used_ms, seen.first
     FROM seen JOIN item_results r ON r.attempt_id = seen.id`,
  )
    .raw()
    .all(testId, ...reachFor(by, 'see-results'))
    .map(([attemptId, ref, score, maximum, progress, marked, usedMs, first]) => ({
      attemptId,
      ref,
      score,
      maximum,
      progress,
      marked: marked === 1,
      usedMs,
      first: first === 1,
    }));

/**
 * Lets the students somebody reaches be told what came of a test, where that was held back; or holds it back again.
 * @returns for how many that changed something
 * @throws Refusal `not-yours`, `not-found` for a test that nobody they reach has been given
 */
export function release(
  db: Db,
  by: User,
  testId: number,
  { told }: { readonly told: boolean },
  now: number,
): { readonly changed: number } {
  const ids = prepared<[number, number, string, number], { id: number }>(
    db,
    `SELECT a.id FROM assignments a JOIN users u ON u.id = a.user_id
     WHERE (a.test_id = ? OR EXISTS (SELECT 1 FROM attempts p WHERE p.assignment_id = a.id AND p.test_id = ?)) AND ${FOR_REAL} AND ${IS_REACHED}`,
  ).all(testId, testId, ...reachFor(by, 'see-results'));
  if (ids.length === 0) throw new Refusal('not-found', 404);
  return db
    .transaction(() => {
      let changed = 0;
      for (const { id } of ids) {
        for (const attempt of prepared<[number], { id: string }>(
          db,
          'SELECT id FROM attempts WHERE assignment_id = ?',
        ).all(id))
          forgetAssets(db, attempt.id);
        changed += prepared(
          db,
          `UPDATE assignments SET released_at = ? WHERE id = ? AND json_extract(options, '$.held') = 1
             AND (released_at IS NULL) = ?`,
        ).run(told ? now : null, id, Number(told)).changes;
      }
      return { changed };
    })
    .immediate();
}

/** A question that was asked, and an attempt that has it. */
export interface Asked {
  readonly ref: string;
  readonly item: Item;
  readonly attemptId: string;
}

/** The questions of a test in its order, as the attempts that were handed in have them. */
export function questionsIn(db: Db, rows: readonly QuestionRow[]): Asked[] {
  const asked = new Set(rows.map(({ ref }) => ref));
  const found = new Map<string, Asked>();
  for (const attemptId of new Set(rows.map((row) => row.attemptId))) {
    if (found.size === asked.size) break;
    for (const { ref, item } of scoredPlan(db, anyAttempt(db, attemptId)).places)
      if (asked.has(ref) && !found.has(ref)) found.set(ref, { ref, item, attemptId });
  }
  return [...found.values()];
}
