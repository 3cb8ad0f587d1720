import { actsOf } from '@/core/access/access';
import { deliverDirections, filesIn } from '@/core/deliver/assets';
import { deliverTest } from '@/core/deliver/deliver';
import type { DeliveredTest } from '@/core/item/delivered';
import type { Sitting } from '@/core/sitting/sitting';
import type { AttemptContent } from '@/core/wire/content';
import { feedbackSoFar } from '@/core/sitting/feedback';
import { showingOf } from '@/core/sitting/stage';
import { needsOf, type User } from '../accounts/users';
import type { Db } from '../db/open';
import { loadAsset } from '../library/library';
import { Refusal } from '../refusal';
import { assignedTest, optionsOf } from './assignments';
import { attemptOf, attemptReached, type AttemptRow } from './attempts';
import { contentOf, sessionsIn, sittingOf } from './sittings';

/** What a sitting shows: what its questions are, and the feedback earned in it. */
export function deliveredOf(db: Db, attempt: AttemptRow, sitting: Sitting): DeliveredTest {
  const needs = needsOf(db, attempt.user_id);
  return deliverTest(contentOf(db, attempt), sitting.plan.form, {
    sessions: sessionsIn(sitting),
    needs,
    showing: showingOf(sitting),
    given: optionsOf(db, attempt.assignment_id),
  });
}

/**
 * Everything the browser needs for the attempt: questions, passages and what is set for this student. No keys.
 * @throws Refusal `not-found`; `stopped` or `handed-in` while nothing may be seen
 */
export function attemptContent(db: Db, user: User, attemptId: string, now: number): AttemptContent {
  const attempt = attemptOf(db, user, attemptId);
  if (attempt.phase !== 'running')
    throw new Refusal(attempt.phase === 'not-started' ? 'not-begun' : attempt.phase, 409);
  return {
    test: deliveredOf(db, attempt, sittingOf(db, attempt, now)),
    student: { displayName: user.displayName, needs: user.needs, tries: user.tries },
  };
}

const KEPT = 2_000;
const shown = new WeakMap<Db, Map<string, ReadonlySet<string>>>();

/** What an attempt shows has changed: feedback was earned, or it is over. */
export function forgetAssets(db: Db, attemptId: string): void {
  shown.get(db)?.delete(attemptId);
}

function assetsNow(db: Db, attempt: AttemptRow, now: number): ReadonlySet<string> {
  const cache = shown.get(db) ?? new Map<string, ReadonlySet<string>>();
  shown.set(db, cache);
  const known = cache.get(attempt.id);
  if (known) return known;
  const sitting = sittingOf(db, attempt, now);
  const { tells } = optionsOf(db, attempt.assignment_id);
  const over = attempt.phase === 'handed-in';
  const told = over && tells === 'thanks' ? [] : filesIn(feedbackSoFar(sitting));
  const questions = over && tells !== 'answers' ? [] : deliveredOf(db, attempt, sitting).assets;
  const assets = new Set([...told, ...questions]);
  cache.set(attempt.id, assets);
  const [oldest] = cache.keys();
  if (cache.size > KEPT && oldest !== undefined) cache.delete(oldest);
  return assets;
}

/** An attempt whose answers an adult may look at: to mark them, or as results. @throws Refusal `not-yours`, `not-found` */
const attemptMarked = (db: Db, by: User, attemptId: string): AttemptRow =>
  attemptReached(db, by, actsOf(by.role).includes('mark') ? 'mark' : 'see-results', attemptId);

/**
 * A picture of what this student may see now: in a running attempt what its questions and the feedback earned show, afterwards what the
 * assignment tells. Pictures of feedback not earned, and of rubric blocks for others, are not there. Whoever may look at the answers
 * of the attempt sees every picture of its test.
 * @throws Refusal `not-found`
 */
export function attemptAsset(
  db: Db,
  user: User,
  attemptId: string,
  path: string,
  now: number,
): { mediaType: string; bytes: Buffer } {
  const attempt =
    user.role === 'student' ? attemptOf(db, user, attemptId) : attemptMarked(db, user, attemptId);
  const visible = attempt.phase === 'running' || attempt.phase === 'handed-in';
  const shows = user.role !== 'student' || (visible && assetsNow(db, attempt, now).has(path));
  if (!shows) throw new Refusal('not-found', 404);
  const asset = loadAsset(db, contentOf(db, attempt).packageId, path);
  if (!asset) throw new Refusal('not-found', 404);
  return asset;
}

/**
 * A file of what is shown before a test is begun: a picture of its directions, or a document they lead to.
 * @throws Refusal `not-found`, also for every other file of the test
 */
export function directionsAsset(
  db: Db,
  user: User,
  assignmentId: number,
  path: string,
): { mediaType: string; bytes: Buffer } {
  const content = contentOf(db, { test_id: assignedTest(db, user, assignmentId).testId });
  const asset = deliverDirections(content).assets.includes(path)
    ? loadAsset(db, content.packageId, path)
    : null;
  if (!asset) throw new Refusal('not-found', 404);
  return asset;
}
