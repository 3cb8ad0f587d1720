import type { SignInRequest } from '@/core/wire/requests';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { openSession } from './sessions';
import { userByPassword, type User } from './users';

/** Wrong tries allowed per window: few per name, many per address, since a school shares one. */
const WINDOW_MS = 10 * 60_000;
const TRIES = { name: 8, address: 120 } as const;

function failures(db: Db, key: string, since: number): { count: number; oldest: number | null } {
  const row = prepared<[string, number], { count: number; oldest: number | null }>(
    db,
    'SELECT count(*) AS count, min(at) AS oldest FROM sign_in_failures WHERE key = ? AND at > ?',
  ).get(key, since);
  return row ?? { count: 0, oldest: null };
}

/**
 * Signs in by name and password.
 * @throws Refusal `wrong-name-or-password` (never which), or `too-many-tries` with the minutes to wait
 */
export async function signIn(
  db: Db,
  input: SignInRequest,
  address: string,
  now: number,
): Promise<{ user: User; token: string; maxAgeSeconds: number }> {
  const keys = [
    { key: `name:${input.name.toLowerCase()}`, limit: TRIES.name },
    { key: `address:${address}`, limit: TRIES.address },
  ];
  for (const { key, limit } of keys) {
    const { count, oldest } = failures(db, key, now - WINDOW_MS);
    if (count >= limit) {
      const minutes = Math.max(1, Math.ceil(((oldest ?? now) + WINDOW_MS - now) / 60_000));
      throw new Refusal('too-many-tries', 429, { minutes });
    }
  }
  const user = await userByPassword(db, input.name, input.password);
  if (!user) {
    prepared(db, 'DELETE FROM sign_in_failures WHERE at < ?').run(now - WINDOW_MS);
    for (const { key } of keys)
      prepared(db, 'INSERT INTO sign_in_failures (key, at) VALUES (?, ?)').run(key, now);
    throw new Refusal('wrong-name-or-password', 401);
  }
  prepared(db, 'DELETE FROM sign_in_failures WHERE key = ?').run(keys[0]?.key);
  return { user, ...openSession(db, user.id, now) };
}
