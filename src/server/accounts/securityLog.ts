import type { Db } from '../db/open';
import { prepared } from '../db/statements';

/** What is written down about accounts: who did what, from where. Never a password nor an answer. */
export type SecurityEvent =
  | 'signed-in'
  | 'sign-in-failed'
  | 'sign-in-delayed'
  | 'signed-out'
  | 'signed-out-everywhere'
  | 'delay-lifted'
  | 'password-set'
  | 'password-changed'
  | 'data-handed-out'
  | 'erased'
  | 'roster-brought';

export function logSecurity(
  db: Db,
  what: SecurityEvent,
  now: number,
  {
    userId = null,
    address = null,
    details = {},
  }: {
    userId?: number | null;
    address?: string | null;
    details?: Readonly<Record<string, string | number>>;
  } = {},
): void {
  prepared(db, 'INSERT INTO security_log (at, what, user_id, address, details) VALUES (?, ?, ?, ?, ?)').run(
    now,
    what,
    userId,
    address,
    JSON.stringify(details),
  );
}
