import type {
  CorrectedKeys,
  KeyVersion,
  RescoredQuestion,
  RescoredStudent,
  RescoringPreview,
} from '@/core/wire/results';
import { fitsForms, misfitsIn, type Misfit } from '@/core/sitting/rescore';
import { numberOf } from '@/core/processing/numbers';
import type { Value } from '@/core/content/value';
import { reachFor, IS_REACHED } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { FOR_REAL, optionsOf } from '../delivery/assignments';
import { anyAttempt } from '../delivery/attempts';
import { forgetAssets } from '../delivery/content';
import { keysOf } from '../delivery/keys';
import { keepScores, markedSitting, settledMarks, withMarks } from '../delivery/scores';
import { contentOf, sittingOf } from '../delivery/sittings';
import { Refusal } from '../refusal';

/** Lets whoever is answering meanwhile be heard between two attempts. */
const nextTurn = () => new Promise((resolve) => setImmediate(resolve));

/**
 * The attempts at a test that were handed in, by student. Its keys are everybody's, so that only who reaches all of them may change them.
 * @throws Refusal `not-yours`, `not-found`, `others-too` where students took it whom they do not reach
 */
function attemptsAt(
  db: Db,
  by: User,
  testId: number,
): { readonly id: string; readonly student: string; readonly assignment: number }[] {
  const rows = prepared<
    [string, number, number],
    { id: string; student: string; assignment: number; reached: number }
  >(
    db,
    `SELECT p.id, u.display_name AS student, p.assignment_id AS assignment, ${IS_REACHED} AS reached FROM attempts p JOIN users u ON u.id = p.user_id
       JOIN assignments a ON a.id = p.assignment_id
     WHERE p.test_id = ? AND p.phase = 'handed-in' AND ${FOR_REAL} ORDER BY u.display_name, p.begun_at`,
  ).all(...reachFor(by, 'see-results'), testId);
  if (!rows.some(({ reached }) => reached === 1)) throw new Refusal('not-found', 404);
  if (rows.some(({ reached }) => reached === 0)) throw new Refusal('others-too', 409);
  return rows;
}

/** The versions of a test, the newest first, with by which of them it is scored. @throws Refusal `not-yours` */
export function keyVersions(db: Db, by: User, testId: number): KeyVersion[] {
  reachFor(by, 'see-results');
  const now = keysOf(db, testId);
  return prepared<[number], { testId: number; importedAt: number }>(
    db,
    `SELECT other.id AS testId, g.imported_at AS importedAt FROM tests own JOIN packages mine ON mine.id = own.package_id
       JOIN packages g ON g.identifier = mine.identifier AND g.complete = 1
       JOIN tests other ON other.package_id = g.id AND other.identifier = own.identifier
     WHERE own.id = ? ORDER BY g.imported_at DESC, other.id DESC`,
  )
    .all(testId)
    .map((row) => ({ ...row, own: row.testId === testId, counts: row.testId === now }));
}

/** By whose decision a test is scored by other keys than its own; null where it is not. @throws Refusal `not-yours` */
export function correctedKeys(db: Db, by: User, testId: number): CorrectedKeys | null {
  reachFor(by, 'see-results');
  const row = prepared<[number], CorrectedKeys & { readonly keyTestId: number }>(
    db,
    `SELECT r.key_test_id AS keyTestId, w.display_name AS by, r.at, r.reason, g.imported_at AS importedAt
     FROM rescorings r JOIN users w ON w.id = r.by_id JOIN tests t ON t.id = r.key_test_id JOIN packages g ON g.id = t.package_id
     WHERE r.test_id = ? ORDER BY r.id DESC LIMIT 1`,
  ).get(testId);
  if (!row || row.keyTestId === testId) return null;
  const { keyTestId: _own, ...corrected } = row;
  return corrected;
}

/** A version of the same test whose questions fit its forms. @throws Refusal `not-found`, `does-not-fit` */
function keyContent(db: Db, by: User, testId: number, keyTestId: number) {
  if (!keyVersions(db, by, testId).some((one) => one.testId === keyTestId))
    throw new Refusal('not-found', 404);
  const [own, keys] = [contentOf(db, { test_id: testId }), contentOf(db, { test_id: keyTestId })];
  if (!fitsForms(own.test, keys.test)) throw new Refusal('does-not-fit', 409);
  return keys;
}

const scoreIn = (outcomes: Readonly<Record<string, Value>> | undefined): number | null =>
  numberOf(outcomes?.SCORE ?? null);

/**
 * What scoring a test by the keys of another version would change, question by question and student by student; nothing is changed yet.
 * @throws Refusal `not-yours`, `not-found`, `others-too`, `does-not-fit`
 */
export async function previewRescoring(
  db: Db,
  by: User,
  testId: number,
  keyTestId: number,
): Promise<RescoringPreview> {
  const attempts = attemptsAt(db, by, testId);
  const keys = keyContent(db, by, testId, keyTestId);
  const questions = new Map<string, RescoredQuestion>();
  const students: RescoredStudent[] = [];
  const misfits = new Map<string, Misfit>();
  for (const { id, student } of attempts) {
    const attempt = anyAttempt(db, id);
    const asAnswered = sittingOf(db, attempt, attempt.handed_in_at ?? 0);
    for (const [ref, why] of misfitsIn(asAnswered, keys)) misfits.set(ref, why);
    // What persons gave stands in both.
    const before = markedSitting(db, attempt, attempt.handed_in_at ?? 0);
    const after = withMarks(asAnswered.scoredBy(keys), settledMarks(db, id));
    for (const place of after.plan.places) {
      const { ref } = place;
      const [was, is] = [before, after].map((one) => scoreIn(one.state.questions.get(ref)?.score?.outcomes));
      if (was === is || was === undefined || is === undefined) continue;
      const { up, down, title } = questions.get(ref) ?? { up: 0, down: 0, title: place.item.title };
      const rises = (is ?? 0) > (was ?? 0);
      questions.set(ref, { ref, title, up: up + Number(rises), down: down + Number(!rises) });
    }
    const [was, is] = [before, after].map((one) => one.points(() => true).score);
    if (was !== undefined && is !== undefined && was !== is)
      students.push({ attemptId: id, student, before: was, after: is });
    await nextTurn();
  }
  return {
    attempts: attempts.length,
    told: attempts.filter(({ assignment }) => optionsOf(db, assignment).tells !== 'thanks').length,
    questions: [...questions.values()],
    students,
    misfits: [...misfits].map(([ref, why]) => ({ ref, why })),
  };
}

/**
 * Scores a test by the keys of another version from now on, for a reason; what was handed in is scored again, one attempt at a time.
 * Going back to its own keys is the same step.
 * @returns of how many attempts the points changed
 * @throws Refusal as `previewRescoring`; `does-not-fit` too where answers cannot be scored by it; `bad-input` where it counts already
 */
export async function rescore(
  db: Db,
  by: User,
  testId: number,
  { keyTestId, reason }: { readonly keyTestId: number; readonly reason: string },
  now: number,
): Promise<{ readonly changed: number }> {
  const preview = await previewRescoring(db, by, testId, keyTestId);
  if (preview.misfits.length > 0) throw new Refusal('does-not-fit', 409);
  if (keysOf(db, testId) === keyTestId) throw new Refusal('bad-input', 400);
  prepared(db, 'INSERT INTO rescorings (test_id, key_test_id, by_id, at, reason) VALUES (?, ?, ?, ?, ?)').run(
    testId,
    keyTestId,
    by.id,
    now,
    reason,
  );
  await scoreWhatIsLeft(db);
  return { changed: preview.students.length };
}

/** Scores what was handed in and is still kept by other keys than those that count: also what a server that went away left. */
export async function scoreWhatIsLeft(db: Db): Promise<void> {
  const left = prepared<[], { id: string }>(
    db,
    `SELECT p.id FROM attempts p JOIN test_results r ON r.attempt_id = p.id
       JOIN rescorings k ON k.id = (SELECT max(id) FROM rescorings WHERE test_id = p.test_id)
     WHERE p.phase = 'handed-in' AND coalesce(r.key_test_id, p.test_id) <> k.key_test_id`,
  ).all();
  for (const { id } of left) {
    db.transaction(() => {
      const attempt = anyAttempt(db, id);
      if (attempt.handed_in_at === null) return;
      forgetAssets(db, id);
      keepScores(db, attempt, attempt.handed_in_at);
    }).immediate();
    await nextTurn();
  }
}
