import { randomUUID } from 'node:crypto';
import type { Db } from '../db/open';
import { OF_ATTEMPTS } from '../db/ofAttempts';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';

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

/** Takes a guest away with everything they did. Nobody else: who has an account is kept. */
export function forgetGuest(db: Db, userId: number): void {
  db.transaction(() => {
    const guest = prepared<[number], { id: number }>(
      db,
      'SELECT id FROM users WHERE id = ? AND guest = 1',
    ).get(userId);
    if (!guest) return;
    for (const table of OF_ATTEMPTS)
      prepared(
        db,
        `DELETE FROM ${table} WHERE attempt_id IN (SELECT id FROM attempts WHERE user_id = ?)`,
      ).run(userId);
    prepared(db, 'DELETE FROM attempts WHERE user_id = ?').run(userId);
    // Assignments and sessions go with their person.
    prepared(db, 'DELETE FROM users WHERE id = ?').run(userId);
  })();
}

/** Takes away the guests whose session is over. */
export function forgetGoneGuests(db: Db): void {
  const gone = prepared<[], { id: number }>(
    db,
    'SELECT id FROM users WHERE guest = 1 AND id NOT IN (SELECT user_id FROM sessions)',
  ).all();
  for (const { id } of gone) forgetGuest(db, id);
}
