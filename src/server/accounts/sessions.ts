import { createHash, randomBytes } from 'node:crypto';
import { commitTogether } from '../db/groupCommit';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { forgetGoneGuests, forgetGuest } from './guests';
import { userById, type User } from './users';

/** A school day: a session ends 12 hours after sign-in, and when nothing was done in it for two hours. */
const LIFETIME_MS = 12 * 3600_000;
const IDLE_MS = 2 * 3600_000;
/** How exactly it is known when something was done last. */
const SEEN_EVERY_MS = 300_000;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Takes away the sessions that are over, and with them who was there only as long as they were. */
export function endOldSessions(db: Db, now: number): void {
  const { changes } = prepared(db, 'DELETE FROM sessions WHERE expires_at < ? OR seen_at < ?').run(
    now,
    now - IDLE_MS,
  );
  if (changes > 0) forgetGoneGuests(db, now);
}

/**
 * Opens a session and returns its token, which is not kept anywhere.
 * @param room opened with a room's code: for one assignment, and for nothing until its student is let in
 */
export function openSession(
  db: Db,
  userId: number,
  now: number,
  room: { readonly roomId: number; readonly assignmentId: number } | null = null,
): { token: string; maxAgeSeconds: number } {
  const token = randomBytes(32).toString('base64url');
  endOldSessions(db, now);
  prepared(
    db,
    `INSERT INTO sessions (token_hash, user_id, created_at, expires_at, seen_at, room_id, assignment_id) VALUES (?, ?, ?, ?, ?, ?, ?)`,
  ).run(hashOf(token), userId, now, now + LIFETIME_MS, now, room?.roomId ?? null, room?.assignmentId ?? null);
  return { token, maxAgeSeconds: LIFETIME_MS / 1000 };
}

/** Who holds a token; null when it is unknown or over. */
export function userOfSession(db: Db, token: string, now: number): User | null {
  const hash = hashOf(token);
  const row = prepared<
    [string, number, number],
    { user_id: number; seen_at: number; assignment_id: number | null; let_in_at: number | null }
  >(
    db,
    'SELECT user_id, seen_at, assignment_id, let_in_at FROM sessions WHERE token_hash = ? AND expires_at >= ? AND seen_at >= ?',
  ).get(hash, now, now - IDLE_MS);
  if (!row) return null;
  // Shares its flush to the disk with whatever else is being saved.
  if (now - row.seen_at > SEEN_EVERY_MS)
    void commitTogether(db, () =>
      prepared(db, 'UPDATE sessions SET seen_at = ? WHERE token_hash = ?').run(now, hash),
    ).catch(() => undefined);
  const user = userById(db, row.user_id);
  return user && row.assignment_id !== null
    ? // Who came with a room's code has typed no password.
      { ...user, mustChange: false, room: { assignmentId: row.assignment_id, letIn: row.let_in_at !== null } }
    : user;
}

/** Ends a session; of who practices without an account nothing is left. */
export function closeSession(db: Db, token: string): void {
  const row = prepared<[string], { user_id: number }>(
    db,
    'DELETE FROM sessions WHERE token_hash = ? RETURNING user_id',
  ).get(hashOf(token));
  if (row) forgetGuest(db, row.user_id);
}

/** Ends every session of a person: asked for, or because the password changed. */
export function closeAllSessions(db: Db, userId: number): void {
  prepared(db, 'DELETE FROM sessions WHERE user_id = ?').run(userId);
  forgetGuest(db, userId);
}

/** Ends every session of a person but one. */
export function closeOtherSessions(db: Db, userId: number, token: string): void {
  prepared(db, 'DELETE FROM sessions WHERE user_id = ? AND token_hash <> ?').run(userId, hashOf(token));
}

/** What a session is called in the database: nobody can sign in with it. */
export const nameOfSession = hashOf;
