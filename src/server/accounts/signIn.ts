import type { SignInRequest } from '@/core/wire/requests';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { IS_REACHED, reachFor, requireAct, requireReach } from './access';
import { boundedQueue } from './queue';
import { noteDone } from './supervisionLog';
import { logSecurity } from './securityLog';
import { closeAllSessions, openSession } from './sessions';
import { userByPassword, type User } from './users';

/** Wrong tries are remembered this long. */
const WINDOW_MS = 15 * 60_000;
/** After so many wrong tries by one name from one address each further one waits longer, at most this long. Never a lock. */
const FREE_TRIES = 5;
const LONGEST_WAIT_MS = 60_000;
/** Wrong tries from one address in the window before every name there waits: far above a school's slips of the finger. */
const MOST_FROM_ADDRESS = 1_000;

/** Milliseconds to wait after so many wrong tries: 1 s, 2 s, 4 s, … */
export const waitAfter = (wrong: number): number =>
  wrong < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_MS, 1_000 * 2 ** (wrong - FREE_TRIES));

/** Passwords are hashed off the main thread, a few at a time; a class may wait, a flood is sent away. */
export const hashing = boundedQueue(2, 200);

interface Tries {
  readonly count: number;
  readonly newest: number | null;
}

/** Delayed tries from one address are written down once in so long: a flood of them fills no disk. */
const LOG_DELAYS_EVERY_MS = 60_000;
function logDelay(db: Db, name: string, address: string, now: number): void {
  const before = prepared<[number, string], { one: number }>(
    db,
    "SELECT 1 AS one FROM security_log WHERE at > ? AND what = 'sign-in-delayed' AND address = ? LIMIT 1",
  ).get(now - LOG_DELAYS_EVERY_MS, address);
  if (!before) logSecurity(db, 'sign-in-delayed', now, { address, details: { name } });
}

/** Writes a try down before anything is looked at, so that many at once are many. @throws Refusal `too-many-tries` */
export function reserveTry(db: Db, name: string, address: string, now: number): void {
  const seconds = db
    .transaction((): number | null => {
      prepared(db, 'DELETE FROM sign_in_tries WHERE at < ?').run(now - WINDOW_MS);
      const mine = prepared<[string, string], Tries>(
        db,
        'SELECT count(*) AS count, max(at) AS newest FROM sign_in_tries WHERE name = ? AND address = ?',
      ).get(name, address);
      const here = prepared<[string], { count: number }>(
        db,
        'SELECT count(*) AS count FROM sign_in_tries WHERE address = ?',
      ).get(address);
      const free = (mine?.newest ?? 0) + waitAfter(mine?.count ?? 0);
      if (free > now || (here?.count ?? 0) >= MOST_FROM_ADDRESS) {
        logDelay(db, name, address, now);
        return Math.ceil((Math.max(free, now + 1) - now) / 1000);
      }
      prepared(db, 'INSERT INTO sign_in_tries (name, address, at) VALUES (?, ?, ?)').run(name, address, now);
      return null;
    })
    .immediate();
  // Refused only now: what was written down stays.
  if (seconds !== null) throw new Refusal('too-many-tries', 429, { seconds });
}

/** A try has succeeded: the wrong ones before it from there are forgotten. */
export function forgetTries(db: Db, name: string, address: string): void {
  prepared(db, 'DELETE FROM sign_in_tries WHERE name = ? AND address = ?').run(name, address);
}

/**
 * Signs in by name and password.
 * @throws Refusal `wrong-name-or-password` (never which), `too-many-tries` with the seconds to wait, `busy` when too many wait
 */
export async function signIn(
  db: Db,
  input: SignInRequest,
  address: string,
  now: number,
): Promise<{ user: User; token: string; maxAgeSeconds: number }> {
  reserveTry(db, input.name, address, now);
  const user = await hashing(() => userByPassword(db, input.name, input.password));
  if (!user) {
    logSecurity(db, 'sign-in-failed', now, { address, details: { name: input.name } });
    throw new Refusal('wrong-name-or-password', 401);
  }
  forgetTries(db, input.name, address);
  logSecurity(db, 'signed-in', now, { userId: user.id, address });
  return { user, ...openSession(db, user.id, now) };
}

/** Lets a student try again at once who mistyped too often. @throws Refusal `not-yours`, `not-found` */
export function liftDelay(db: Db, name: string, by: User, now: number): void {
  requireAct(by, 'supervise');
  const student = prepared<[string], { id: number }>(db, 'SELECT id FROM users WHERE sign_in_name = ?').get(
    name,
  );
  if (!student) throw new Refusal('not-found', 404);
  requireReach(db, by, 'supervise', student.id);
  prepared(db, 'DELETE FROM sign_in_tries WHERE name = ?').run(name);
  logSecurity(db, 'delay-lifted', now, { userId: by.id, details: { name } });
  noteDone(db, by, { done: 'wait-lifted', student: student.id, testId: null }, now);
}

/** A person who must wait before signing in again, after wrong tries. */
export interface Delayed {
  readonly name: string;
  readonly displayName: string;
  readonly seconds: number;
}

/** Which of the students somebody reaches must wait now, the longest first. @throws Refusal `not-yours` */
export function delayedNow(db: Db, by: User, now = Date.now()): Delayed[] {
  const rows = prepared<
    [number, string, number],
    { name: string; display_name: string; count: number; newest: number }
  >(
    db,
    `SELECT u.sign_in_name AS name, u.display_name, count(*) AS count, max(t.at) AS newest
     FROM sign_in_tries t JOIN users u ON u.sign_in_name = t.name AND u.guest = 0 WHERE t.at >= ? AND u.role = 'student' AND ${IS_REACHED}
     GROUP BY u.id, t.address`,
  ).all(now - WINDOW_MS, ...reachFor(by, 'supervise'));
  const longest = new Map<string, Delayed>();
  for (const { name, display_name: displayName, count, newest } of rows) {
    const seconds = Math.ceil((newest + waitAfter(count) - now) / 1000);
    if (seconds > (longest.get(name)?.seconds ?? 0)) longest.set(name, { name, displayName, seconds });
  }
  return [...longest.values()].sort((a, b) => b.seconds - a.seconds || a.name.localeCompare(b.name));
}

/**
 * Ends every session of a student: a computer was left open, or a password is known. What they have answered is safe.
 * @param by whoever teaches or supervises
 * @throws Refusal `not-yours`, `not-found` for anybody but a student whom they reach
 */
export function signOutEverywhere(db: Db, userId: number, by: User, now: number): void {
  requireReach(db, by, 'supervise', userId);
  closeAllSessions(db, userId);
  logSecurity(db, 'signed-out-everywhere', now, { userId, details: { by: by.id } });
  noteDone(db, by, { done: 'signed-out', student: userId, testId: null }, now);
}
