import { NO_NEEDS, type AccessNeeds } from '@/core/needs';
import type { GivenOptions } from '@/core/item/options';
import type { TryRequest } from '@/core/wire/requests';
import { actsOf } from '@/core/access/access';
import { reaches, requireAct, requireReachOfAssignment } from '../accounts/access';
import { addTrier, trierOf } from '../accounts/guests';
import { needsOf, userById, type User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { loadTest } from '../library/library';
import { Refusal } from '../refusal';
import { assign, optionsOf } from './assignments';
import { beginAttempt } from './delivery';

/**
 * The needs that something is seen with: a student's, in another scheme and size where that is asked for.
 * @param usual whose they are where no student is named
 * @throws Refusal `not-found` for a student they do not reach
 */
export function needsSeenWith(
  db: Db,
  by: User,
  { student, scheme, magnification }: TryRequest,
  usual: AccessNeeds,
): AccessNeeds {
  if (student !== null && !reaches(db, by, 'give', student)) throw new Refusal('not-found', 404);
  return {
    ...(student === null ? usual : needsOf(db, student)),
    ...(scheme !== null && { scheme, own: null }),
    ...(magnification !== null && { magnification }),
  };
}

/**
 * Opens a test to whoever keeps the library, exactly as a student gets it: an attempt of a guest that is theirs alone, seen by nobody
 * and counted nowhere. What was tried before is gone.
 * @throws Refusal `not-yours`; `not-found` for no such test, or a student they do not reach
 */
export function tryTest(
  db: Db,
  by: User,
  testId: number,
  seenAs: TryRequest,
  now: number,
): { readonly attemptId: string } {
  requireAct(by, 'keep-library');
  return beginTry(db, by, { testId, needs: needsSeenWith(db, by, seenAs, NO_NEEDS), options: {} }, now);
}

/**
 * Opens what a student has been given as they will get it: with their needs, taken as it is given, but for what somebody would have to be
 * there for. Else as `tryTest`.
 * @throws Refusal `not-yours`; `not-found` for what is given to nobody they reach
 */
export function tryGiven(
  db: Db,
  by: User,
  assignmentId: number,
  now: number,
): { readonly attemptId: string } {
  requireReachOfAssignment(db, by, 'give', assignmentId);
  const given = prepared<[number], { test_id: number; user_id: number }>(
    db,
    'SELECT test_id, user_id FROM assignments WHERE id = ?',
  ).get(assignmentId);
  if (!given) throw new Refusal('not-found', 404);
  const options = { ...optionsOf(db, assignmentId), goAhead: false, ownsScreen: false };
  return beginTry(db, by, { testId: given.test_id, needs: needsOf(db, given.user_id), options }, now);
}

interface Trying {
  readonly testId: number;
  readonly needs: AccessNeeds;
  readonly options: GivenOptions;
}

/** Whoever tries sees the answers at once, and is locked out of nothing. @throws Refusal `not-found` for no such test */
function beginTry(
  db: Db,
  by: User,
  { testId, needs, options }: Trying,
  now: number,
): { readonly attemptId: string } {
  if (!loadTest(db, testId)) throw new Refusal('not-found', 404);
  return db
    .transaction(() => {
      const id = addTrier(db, by, needs, now);
      assign(db, testId, id, { ...options, held: false, lockAfter: null, tells: 'answers' });
      const trier = userById(db, id);
      const row = prepared<[number], { id: number }>(db, 'SELECT id FROM assignments WHERE user_id = ?').get(
        id,
      );
      if (!trier || !row) throw new Error('the test to be tried was not assigned');
      return beginAttempt(db, trier, row.id, now);
    })
    .immediate();
}

/** What somebody has begun to try out of a test, and can go on with; null where there is nothing. */
export const openTry = (db: Db, by: User, testId: number): string | null =>
  prepared<[number, number], { id: string }>(
    db,
    `SELECT p.id FROM attempts p JOIN users u ON u.id = p.user_id
     WHERE u.tries_for = ? AND p.test_id = ? AND p.phase IN ('running', 'stopped')`,
  ).get(by.id, testId)?.id ?? null;

/** Who takes a test when this person does: a student themselves, whoever keeps the library as who they try one out as; else nobody. */
export function takerFor(db: Db, user: User): User | null {
  if (actsOf(user.role).includes('take')) return user;
  if (!actsOf(user.role).includes('keep-library')) return null;
  const id = trierOf(db, user.id);
  return id === null ? null : userById(db, id);
}
