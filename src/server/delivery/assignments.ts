import { itemRefsOf } from '@/core/item/test';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import type { User } from '../accounts/users';
import { loadTest } from '../library/library';
import { Refusal } from '../refusal';

export interface AssignedTest {
  readonly assignmentId: number;
  readonly testId: number;
  readonly title: string;
  readonly questions: number;
  /** Seconds, without extra time; null = untimed. */
  readonly timeLimit: number | null;
  readonly state: 'not-started' | 'stopped' | 'handed-in';
  readonly attemptId: string | null;
  readonly begunAt: number | null;
  readonly handedInAt: number | null;
}
interface Row {
  assignment_id: number;
  test_id: number;
  title: string;
  attempt_id: string | null;
  phase: string | null;
  begun_at: number | null;
  handed_in_at: number | null;
}

export function assign(db: Db, testId: number, userId: number): void {
  prepared(
    db,
    'INSERT INTO assignments (test_id, user_id, created_at) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
  ).run(testId, userId, Date.now());
}

const SELECT = `
  SELECT a.id AS assignment_id, a.test_id, t.title, p.id AS attempt_id, p.phase, p.begun_at, p.handed_in_at
  FROM assignments a JOIN tests t ON t.id = a.test_id LEFT JOIN attempts p ON p.assignment_id = a.id`;

function toAssigned(db: Db, row: Row): AssignedTest {
  const content = loadTest(db, row.test_id);
  const test = content?.test;
  const state = row.phase === null ? 'not-started' : row.phase === 'handed-in' ? 'handed-in' : 'stopped';
  return {
    assignmentId: row.assignment_id,
    testId: row.test_id,
    title: row.title,
    questions: test ? itemRefsOf(test).length : 0,
    timeLimit: test ? (test.timeLimits.maximum ?? test.parts[0]?.timeLimits.maximum ?? null) : null,
    state,
    attemptId: row.attempt_id,
    begunAt: row.begun_at,
    handedInAt: row.handed_in_at,
  };
}

/** Everything assigned to a student, what is open first. */
export function assignedTests(db: Db, userId: number): AssignedTest[] {
  return prepared<[number], Row>(
    db,
    `${SELECT} WHERE a.user_id = ? ORDER BY p.handed_in_at IS NOT NULL, a.id`,
  )
    .all(userId)
    .map((row) => toAssigned(db, row));
}

/** One assignment of a student. @throws Refusal `not-found`, also for somebody else's */
export function assignedTest(db: Db, user: User, assignmentId: number): AssignedTest {
  const row = prepared<[number, number], Row>(db, `${SELECT} WHERE a.id = ? AND a.user_id = ?`).get(
    assignmentId,
    user.id,
  );
  if (!row) throw new Refusal('not-found', 404);
  return toAssigned(db, row);
}
