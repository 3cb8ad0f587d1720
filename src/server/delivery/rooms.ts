import { randomInt } from 'node:crypto';
import type { RoomRequest } from '@/core/wire/requests';
import { IS_REACHED, reachFor, reaches } from '../accounts/access';
import { logSecurity } from '../accounts/securityLog';
import { openSession } from '../accounts/sessions';
import { forgetTries, reserveTry } from '../accounts/signIn';
import { noteDone } from '../accounts/supervisionLog';
import { userById, type User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { FOR_REAL } from './assignments';

/** A room closes by itself after a school day. */
const LIFETIME_MS = 12 * 3600_000;
/** Digits of a code: they are read out and typed in any language. */
const DIGITS = 6;
/** So many rooms may be open at once: far more than a school has. */
const MOST_ROOMS = 500;

/** A room that is open. */
export interface Room {
  readonly id: number;
  /** What is read out, digits only. */
  readonly code: string;
  readonly test: string;
  readonly openedAt: number;
  /** Sessions that were opened with its code. */
  readonly inside: number;
}
/** A test that is given to somebody, for which a room can be opened. */
export interface RoomTest {
  readonly testId: number;
  readonly title: string;
  /** When its version came, where another one has the same title. */
  readonly importedAt: number | null;
}

function closeOldRooms(db: Db, now: number): void {
  prepared(db, 'UPDATE rooms SET closed_at = ? WHERE closed_at IS NULL AND opened_at < ?').run(
    now,
    now - LIFETIME_MS,
  );
}

/** In SQL: the rooms `r` somebody keeps, bound twice as in `reachFor`: one's own, or everybody's where everybody is reached. */
const IS_KEPT = "(? = 'school' OR r.opened_by = ?)";

function requireRoom(db: Db, by: User, roomId: number): void {
  const found = prepared<[number, string, number], { id: number }>(
    db,
    `SELECT r.id FROM rooms r WHERE r.id = ? AND ${IS_KEPT}`,
  ).get(roomId, ...reachFor(by, 'supervise'));
  if (!found) throw new Refusal('not-found', 404);
}

/** The rooms that are open and theirs, the newest first. @throws Refusal `not-yours` */
export function openRooms(db: Db, by: User, now = Date.now()): Room[] {
  return prepared<
    [number, string, number],
    { id: number; code: string; title: string; opened_at: number; inside: number }
  >(
    db,
    `SELECT r.id, r.code, t.title, r.opened_at, (SELECT count(*) FROM sessions s WHERE s.room_id = r.id) AS inside
     FROM rooms r JOIN tests t ON t.id = r.test_id WHERE r.closed_at IS NULL AND r.opened_at >= ? AND ${IS_KEPT} ORDER BY r.id DESC`,
  )
    .all(now - LIFETIME_MS, ...reachFor(by, 'supervise'))
    .map(({ opened_at: openedAt, title: test, ...room }) => ({ ...room, test, openedAt }));
}

/** How many are open, whoever's. */
const roomsOpen = (db: Db, now: number): number =>
  prepared<[number], { count: number }>(
    db,
    'SELECT count(*) AS count FROM rooms WHERE closed_at IS NULL AND opened_at >= ?',
  ).get(now - LIFETIME_MS)?.count ?? 0;

/** The tests for which somebody can open a room, by title. @throws Refusal `not-yours` */
export const roomTests = (db: Db, by: User): RoomTest[] =>
  prepared<[string, number], RoomTest>(
    db,
    `SELECT t.id AS testId, t.title, CASE WHEN count(*) OVER (PARTITION BY t.title) > 1 THEN g.imported_at END AS importedAt
     FROM tests t JOIN packages g ON g.id = t.package_id WHERE EXISTS
       (SELECT 1 FROM assignments a JOIN users u ON u.id = a.user_id WHERE a.test_id = t.id AND ${FOR_REAL} AND ${IS_REACHED})
     ORDER BY t.title, t.id`,
  ).all(...reachFor(by, 'supervise'));

/**
 * Opens a room for a test.
 * @param by whoever supervises
 * @returns its code, which is no other open room's
 * @throws Refusal `not-yours`, `not-found` for a test given to nobody they reach, `busy` while too many are open
 */
export function openRoom(db: Db, by: User, testId: number, now: number): { readonly code: string } {
  return db
    .transaction(() => {
      closeOldRooms(db, now);
      if (!roomTests(db, by).some((one) => one.testId === testId)) throw new Refusal('not-found', 404);
      if (roomsOpen(db, now) >= MOST_ROOMS) throw new Refusal('busy', 503);
      for (;;) {
        const code = String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0');
        const { changes } = prepared(
          db,
          'INSERT INTO rooms (code, test_id, opened_by, opened_at) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
        ).run(code, testId, by.id, now);
        if (changes === 0) continue;
        noteDone(db, by, { done: 'room-opened', student: null, testId, detail: code }, now);
        return { code };
      }
    })
    .immediate();
}

/**
 * Closes a room: nobody comes in any more; who is in goes on. Again is harmless.
 * @throws Refusal `not-yours`, `not-found`, also for one that somebody else opened who reaches others
 */
export function closeRoom(db: Db, by: User, roomId: number, now: number): void {
  requireRoom(db, by, roomId);
  const closed = prepared<[number, number], { code: string; test_id: number }>(
    db,
    'UPDATE rooms SET closed_at = ? WHERE id = ? AND closed_at IS NULL RETURNING code, test_id',
  ).get(now, roomId);
  if (closed)
    noteDone(
      db,
      by,
      { done: 'room-closed', student: null, testId: closed.test_id, detail: closed.code },
      now,
    );
  // Who was still waiting is not let in by it any more.
  prepared(db, 'DELETE FROM sessions WHERE room_id = ? AND let_in_at IS NULL').run(roomId);
}

/**
 * Signs in with a room's code and one's name, for the room's test alone. Nothing can be seen or begun until whoever supervises has
 * looked who sits there, and let them in.
 * @throws Refusal `wrong-name-or-code` (never which; also where the test is not given to that name, or its student not reached by who
 * opened the room), `too-many-tries`
 */
export function enterRoom(
  db: Db,
  { code, name }: RoomRequest,
  address: string,
  now: number,
): { readonly assignmentId: number; readonly token: string; readonly maxAgeSeconds: number } {
  reserveTry(db, name, address, now);
  const found = prepared<
    [string, number, string],
    { room: number; assignment: number; user: number; opener: number }
  >(
    db,
    `SELECT r.id AS room, a.id AS assignment, u.id AS user, r.opened_by AS opener FROM rooms r JOIN assignments a ON a.test_id = r.test_id
       JOIN users u ON u.id = a.user_id
     WHERE r.code = ? AND r.closed_at IS NULL AND r.opened_at >= ? AND u.sign_in_name = ? AND u.role = 'student' AND ${FOR_REAL}`,
  ).get(code.replace(/\D/g, ''), now - LIFETIME_MS, name);
  // A room is for those whom its opener can let in.
  const opener = found && userById(db, found.opener);
  if (!found || !opener || !reaches(db, opener, 'supervise', found.user)) {
    logSecurity(db, 'sign-in-failed', now, { address, details: { name, with: 'room' } });
    throw new Refusal('wrong-name-or-code', 401);
  }
  forgetTries(db, name, address);
  logSecurity(db, 'signed-in', now, { userId: found.user, address, details: { room: found.room } });
  const room = { roomId: found.room, assignmentId: found.assignment };
  return { assignmentId: found.assignment, ...openSession(db, found.user, now, room) };
}

/** How many computers ask to come in for an assignment with a room's code. */
export const asksFor = (db: Db, assignmentId: number): number =>
  prepared<[number], { count: number }>(
    db,
    'SELECT count(*) AS count FROM sessions WHERE assignment_id = ? AND let_in_at IS NULL',
  ).get(assignmentId)?.count ?? 0;

/** Lets in who asked last; whoever else asked under that name is not whom was looked at. */
export function letInByRoom(db: Db, assignmentId: number, now: number): void {
  prepared(
    db,
    `UPDATE sessions SET let_in_at = ? WHERE token_hash =
       (SELECT token_hash FROM sessions WHERE assignment_id = ? AND let_in_at IS NULL ORDER BY created_at DESC LIMIT 1)`,
  ).run(now, assignmentId);
  prepared(db, 'DELETE FROM sessions WHERE assignment_id = ? AND let_in_at IS NULL').run(assignmentId);
}
