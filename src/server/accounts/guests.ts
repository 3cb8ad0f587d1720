import { randomUUID } from 'node:crypto';
import type { AccessNeeds } from '@/core/needs';
import type { Db } from '../db/open';
import { OF_ATTEMPTS } from '../db/ofAttempts';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import type { User } from './users';

/** So many may practice at once: far more than a school has computers; a flood of them fills no disk. */
const MOST_GUESTS = 500;

/**
 * Somebody who practices without an account: a student with no password, there only as long as the session is.
 * @throws Refusal `busy` while too many practice
 */
export function addGuest(db: Db, now: number): number {
  const count = prepared<[], { count: number }>(
    db,
    'SELECT count(*) AS count FROM users WHERE guest = 1',
  ).get();
  if ((count?.count ?? 0) >= MOST_GUESTS) throw new Refusal('busy', 503);
  const row = prepared<[string, number], { id: number }>(
    db,
    `INSERT INTO users (sign_in_name, display_name, role, password_hash, created_at, guest) VALUES (?, '', 'student', '', ?, 1) RETURNING id`,
  ).get(`guest ${randomUUID()}`, now);
  if (!row) throw new Error('the database returned no id for a guest');
  return row.id;
}

/** A day after it was begun nobody is trying a test out any more. */
const TRYING_MS = 24 * 3_600_000;

/** Whom somebody is while trying a test out: a guest with the needs chosen for it. Whom they were before is gone, with what was done. */
export function addTrier(
  db: Db,
  by: Pick<User, 'id' | 'displayName' | 'language'>,
  needs: AccessNeeds,
  now: number,
): number {
  const before = trierOf(db, by.id);
  if (before !== null) forgetGuest(db, before);
  const row = prepared<[string, string, string, string | null, number, number], { id: number }>(
    db,
    `INSERT INTO users (sign_in_name, display_name, role, password_hash, needs, language, created_at, guest, tries_for)
     VALUES (?, ?, 'student', '', ?, ?, ?, 1, ?) RETURNING id`,
  ).get(`trying ${randomUUID()}`, by.displayName, JSON.stringify(needs), by.language, now, by.id);
  if (!row) throw new Error('the database returned no id for who tries a test out');
  return row.id;
}

/** Whom somebody is while trying a test out; null while they do not. */
export const trierOf = (db: Db, userId: number): number | null =>
  prepared<[number], { id: number }>(db, 'SELECT id FROM users WHERE tries_for = ?').get(userId)?.id ?? null;

/** Takes away every attempt of a person, with everything that hangs on it. */
export function forgetAttempts(db: Db, userId: number): void {
  for (const table of OF_ATTEMPTS)
    prepared(db, `DELETE FROM ${table} WHERE attempt_id IN (SELECT id FROM attempts WHERE user_id = ?)`).run(
      userId,
    );
  prepared(db, 'DELETE FROM attempts WHERE user_id = ?').run(userId);
}

/** Takes a guest away with everything they did. Nobody else: who has an account is kept. */
export function forgetGuest(db: Db, userId: number): void {
  db.transaction(() => {
    const guest = prepared<[number], { id: number }>(
      db,
      'SELECT id FROM users WHERE id = ? AND guest = 1',
    ).get(userId);
    if (!guest) return;
    forgetAttempts(db, userId);
    // Assignments and sessions go with their person.
    prepared(db, 'DELETE FROM users WHERE id = ?').run(userId);
  })();
}

/** Takes away the guests whose session is over, and who has tried a test out long ago. */
export function forgetGoneGuests(db: Db, now: number): void {
  const gone = prepared<[number], { id: number }>(
    db,
    `SELECT id FROM users WHERE guest = 1
     AND CASE WHEN tries_for IS NULL THEN id NOT IN (SELECT user_id FROM sessions) ELSE created_at < ? END`,
  ).all(now - TRYING_MS);
  for (const { id } of gone) forgetGuest(db, id);
}
