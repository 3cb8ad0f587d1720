import { createHash, randomBytes } from 'node:crypto';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { userById, type User } from './users';

/** A school day: a session ends 12 hours after sign-in. */
const LIFETIME_MS = 12 * 3600_000;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Opens a session and returns its token, which is not kept anywhere. */
export function openSession(db: Db, userId: number, now: number): { token: string; maxAgeSeconds: number } {
  const token = randomBytes(32).toString('base64url');
  prepared(db, 'DELETE FROM sessions WHERE expires_at < ?').run(now);
  prepared(db, 'INSERT INTO sessions (token_hash, user_id, created_at, expires_at) VALUES (?, ?, ?, ?)').run(
    hashOf(token),
    userId,
    now,
    now + LIFETIME_MS,
  );
  return { token, maxAgeSeconds: LIFETIME_MS / 1000 };
}

/** Who holds a token; null when it is unknown or over. */
export function userOfSession(db: Db, token: string, now: number): User | null {
  const row = prepared<[string, number], { user_id: number }>(
    db,
    'SELECT user_id FROM sessions WHERE token_hash = ? AND expires_at >= ?',
  ).get(hashOf(token), now);
  return row ? userById(db, row.user_id) : null;
}

export function closeSession(db: Db, token: string): void {
  prepared(db, 'DELETE FROM sessions WHERE token_hash = ?').run(hashOf(token));
}

/** What a session is called in the database: nobody can sign in with it. */
export const nameOfSession = hashOf;
