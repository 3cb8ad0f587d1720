import { timeLimitOf, type Test } from '@/core/item/test';
import { drawForm, questionsOf, type Form } from '@/core/sitting/form';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import type { User } from '../accounts/users';
import { loadTest } from '../library/library';
import { Refusal } from '../refusal';

/** What is told of a part before the test. */
export interface AssignedPart {
  /** Empty where it has none. */
  readonly title: string;
  readonly questions: number;
  /** Seconds of its own, without extra time; null = none. */
  readonly timeLimit: number | null;
  readonly forwardOnly: boolean;
}
export interface AssignedTest {
  readonly assignmentId: number;
  readonly testId: number;
  readonly title: string;
  readonly questions: number;
  /** Seconds, without extra time; null = untimed. */
  readonly timeLimit: number | null;
  /** Its parts, where it has more than one, or one that goes forward only. */
  readonly parts: readonly AssignedPart[];
  readonly state: 'not-started' | 'stopped' | 'handed-in';
  readonly attemptId: string | null;
  readonly begunAt: number | null;
  readonly handedInAt: number | null;
}
interface Row {
  assignment_id: number;
  test_id: number;
  pinned_test_id: number | null;
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
  SELECT a.id AS assignment_id, a.test_id, p.test_id AS pinned_test_id, t.title, p.id AS attempt_id, p.phase, p.begun_at, p.handed_in_at
  FROM assignments a LEFT JOIN attempts p ON p.assignment_id = a.id JOIN tests t ON t.id = coalesce(p.test_id, a.test_id)`;

function partsOf({ parts }: Test, form: Form): AssignedPart[] {
  if (parts.length === 1 && parts[0]?.navigation === 'nonlinear') return [];
  return parts.map(({ title, timeLimits, navigation }, i) => ({
    title,
    questions: form.parts[i]?.questions.length ?? 0,
    // The limit of the only part is that of the test.
    timeLimit: parts.length > 1 ? timeLimits.maximum : null,
    forwardOnly: navigation === 'linear',
  }));
}

function toAssigned(db: Db, row: Row): AssignedTest {
  const content = loadTest(db, row.pinned_test_id ?? row.test_id);
  const test = content?.test;
  // How many are drawn is the same whatever the seed, except where sections of different size are drawn.
  const form = test && drawForm(test, String(row.assignment_id));
  const state = row.phase === null ? 'not-started' : row.phase === 'handed-in' ? 'handed-in' : 'stopped';
  return {
    assignmentId: row.assignment_id,
    testId: row.test_id,
    title: row.title,
    questions: form ? questionsOf(form).length : 0,
    parts: test && form ? partsOf(test, form) : [],
    timeLimit: test ? timeLimitOf(test) : null,
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
