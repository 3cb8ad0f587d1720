import { readOptions, type AssignmentOptions, type GivenOptions } from '@/core/item/options';
import { neededScoreOf, timeLimitOf, type Test } from '@/core/item/test';
import { readPoints, type Points } from '@/core/sitting/points';
import { drawForm, mixedTest, questionsOf, type Form } from '@/core/sitting/form';
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
/** What is told of a test before it is begun. */
export interface TestFacts {
  readonly title: string;
  /** What it is written in (BCP 47), where it says so. */
  readonly language: string | null;
  readonly questions: number;
  /** Seconds, without extra time; null = untimed. */
  readonly timeLimit: number | null;
  /** Its parts, where it has more than one, or one that goes forward only. */
  readonly parts: readonly AssignedPart[];
  /** Points that are needed; null where nothing is said. */
  readonly needed: number | null;
}
/** An attempt that is over. */
export interface PastAttempt {
  readonly attemptId: string;
  readonly handedInAt: number;
  /** Null where the assignment does not tell them. */
  readonly points: Points | null;
}
export interface AssignedTest extends TestFacts {
  readonly assignmentId: number;
  readonly testId: number;
  readonly state: 'not-started' | 'stopped' | 'handed-in';
  readonly given: AssignmentOptions;
  /** It cannot be begun yet: whoever supervises has still to let the student in. */
  readonly waits: boolean;
  readonly attemptId: string | null;
  readonly begunAt: number | null;
  readonly handedInAt: number | null;
  /** What is handed in of it, the newest first. */
  readonly past: readonly PastAttempt[];
  /** It is handed in, and may be taken once more. */
  readonly again: boolean;
  /** From when to when it can be started, in milliseconds since 1970; null = no such bound. */
  readonly opensAt: number | null;
  readonly closesAt: number | null;
  readonly window: Window;
}
/** Whether a test can be started at a moment: yes, not yet, or not any more. Who has begun may finish. */
export type Window = 'open' | 'later' | 'over';
interface Row {
  assignment_id: number;
  test_id: number;
  pinned_test_id: number | null;
  attempt_id: string | null;
  phase: string | null;
  begun_at: number | null;
  handed_in_at: number | null;
  options: string;
  let_in_at: number | null;
  opens_at: number | null;
  closes_at: number | null;
  released_at: number | null;
}

/** Gives a test to a student; where it is given already, nothing changes. @throws ZodError for options there are not */
export function assign(db: Db, testId: number, userId: number, options: GivenOptions = {}): void {
  readOptions(options);
  prepared(
    db,
    'INSERT INTO assignments (test_id, user_id, created_at, options) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
  ).run(testId, userId, Date.now(), JSON.stringify(options));
}

/** What an assignment settles about how its test is taken; while its results are held back, it tells nothing but thanks. */
export function optionsOf(db: Db, assignmentId: number): AssignmentOptions {
  const row = prepared<[number], Pick<Row, 'options' | 'released_at'>>(
    db,
    'SELECT options, released_at FROM assignments WHERE id = ?',
  ).get(assignmentId);
  return toldNow(readOptions(JSON.parse(row?.options ?? '{}')), row?.released_at ?? null);
}

const toldNow = (options: AssignmentOptions, releasedAt: number | null): AssignmentOptions =>
  options.held && releasedAt === null ? { ...options, tells: 'thanks' } : options;

/** Whether it can be started at a moment. @throws never */
export const windowAt = (
  { opens_at: opens, closes_at: closes }: { opens_at: number | null; closes_at: number | null },
  now: number,
): Window => (opens !== null && now < opens ? 'later' : closes !== null && now >= closes ? 'over' : 'open');

/** Refuses to start what cannot be started now. @throws Refusal `opens-later`, `window-over` */
export function requireWindow(window: Window): void {
  if (window !== 'open') throw new Refusal(window === 'later' ? 'opens-later' : 'window-over', 409);
}

/** In SQL: the assignment `a` of the user `u` is for real: supervised, marked and in the results. Practice is not (decision 024). */
export const FOR_REAL = 'u.guest = 0 AND a.practice = 0';

/** The newest attempt at an assignment `a`, in SQL. */
export const NEWEST =
  '(SELECT id FROM attempts WHERE assignment_id = a.id ORDER BY begun_at DESC, rowid DESC LIMIT 1)';

const SELECT = `
  SELECT a.id AS assignment_id, a.test_id, p.test_id AS pinned_test_id, p.id AS attempt_id, p.phase, p.begun_at, p.handed_in_at,
    a.options, a.let_in_at, a.opens_at, a.closes_at, a.released_at
  FROM assignments a LEFT JOIN attempts p ON p.id = ${NEWEST} JOIN tests t ON t.id = coalesce(p.test_id, a.test_id)`;

/** What an attempt draws when it begins: from its own seed, in the order that its assignment asks for. */
export const newForm = (
  db: Db,
  { assignment_id: id, seed }: { readonly assignment_id: number; readonly seed: string },
  test: Test,
  timeMultiplier: number,
): Form => drawForm(optionsOf(db, id).mixed ? mixedTest(test) : test, seed, timeMultiplier);

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

/** What is told of a test. How many are drawn is the same whatever the seed, except where sections of different size are drawn. */
export function describeTest(db: Db, testId: number, seed = ''): TestFacts {
  const test = loadTest(db, testId)?.test;
  if (!test) return { title: '', language: null, questions: 0, parts: [], timeLimit: null, needed: null };
  const form = drawForm(test, seed);
  return {
    title: test.title,
    language: test.language,
    questions: questionsOf(form).length,
    parts: partsOf(test, form),
    timeLimit: timeLimitOf(test),
    needed: neededScoreOf(test),
  };
}

/** What is handed in of an assignment, the newest first. */
function pastOf(db: Db, assignmentId: number, tells: boolean): PastAttempt[] {
  return prepared<[number], { id: string; handed_in_at: number; points: string | null }>(
    db,
    `SELECT p.id, p.handed_in_at, r.points FROM attempts p LEFT JOIN test_results r ON r.attempt_id = p.id
     WHERE p.assignment_id = ? AND p.handed_in_at IS NOT NULL ORDER BY p.begun_at DESC, p.rowid DESC`,
  )
    .all(assignmentId)
    .map(({ id, handed_in_at: handedInAt, points }) => ({
      attemptId: id,
      handedInAt,
      points: tells && points !== null ? readPoints(points) : null,
    }));
}

/** Whether whoever supervises has still to let the student in. */
export const waitsFor = (
  { goAhead }: AssignmentOptions,
  { attempt_id: begun, let_in_at: letIn }: { attempt_id: string | null; let_in_at: number | null },
): boolean => goAhead && begun === null && letIn === null;

function toAssigned(db: Db, row: Row, now: number): AssignedTest {
  // Being fetched before its clock starts, it is not begun.
  const begun = row.phase !== null && row.phase !== 'not-started';
  const state = !begun ? 'not-started' : row.phase === 'handed-in' ? 'handed-in' : 'stopped';
  const given = toldNow(readOptions(JSON.parse(row.options)), row.released_at);
  const past = pastOf(db, row.assignment_id, given.tells !== 'thanks');
  const again = state === 'handed-in' && past.length < given.times;
  // Taken once more it is the version that is given now.
  const testId = again ? row.test_id : (row.pinned_test_id ?? row.test_id);
  const facts = describeTest(db, testId, String(row.assignment_id));
  return {
    ...facts,
    needed: given.needed ?? facts.needed,
    past,
    again,
    assignmentId: row.assignment_id,
    testId: row.test_id,
    state,
    given,
    waits: waitsFor(given, row),
    attemptId: row.attempt_id,
    begunAt: begun ? row.begun_at : null,
    handedInAt: row.handed_in_at,
    opensAt: row.opens_at,
    closesAt: row.closes_at,
    window: windowAt(row, now),
  };
}

/** Everything assigned to a student, what is open first. @param only one of them, where a room's code was for it */
export function assignedTests(
  db: Db,
  userId: number,
  only: number | null = null,
  now = Date.now(),
): AssignedTest[] {
  return prepared<[number], Row>(
    db,
    `${SELECT} WHERE a.user_id = ? ORDER BY p.handed_in_at IS NOT NULL, a.id`,
  )
    .all(userId)
    .filter(({ assignment_id: id }) => only === null || only === id)
    .map((row) => toAssigned(db, row, now));
}

/** One assignment of a student. @throws Refusal `not-found`, also for somebody else's, or another than a room's code was for */
export function assignedTest(db: Db, user: User, assignmentId: number, now = Date.now()): AssignedTest {
  const row = prepared<[number, number], Row>(db, `${SELECT} WHERE a.id = ? AND a.user_id = ?`).get(
    assignmentId,
    user.id,
  );
  if (!row || (user.room && user.room.assignmentId !== assignmentId)) throw new Refusal('not-found', 404);
  const assigned = toAssigned(db, row, now);
  return user.room?.letIn === false ? { ...assigned, waits: true } : assigned;
}
