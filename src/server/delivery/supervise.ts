import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { anyAttempt, lockedIn, say } from './attempts';

/**
 * Lets a student in: the go-ahead an assignment asks for. Again is harmless.
 * @param by whoever supervises
 * @throws Refusal `not-found`
 */
export function letIn(db: Db, by: User, assignmentId: number, now: number): void {
  const { changes } = prepared(
    db,
    `UPDATE assignments SET let_in_at = coalesce(let_in_at, ?), let_in_by = coalesce(let_in_by, ?) WHERE id = ?`,
  ).run(now, by.id, assignmentId);
  if (changes === 0) throw new Refusal('not-found', 404);
}

/**
 * Opens the questions that were locked after a long pause; the page that has the attempt is told with its next save. Again is harmless.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `handed-in`
 */
export function unlock(db: Db, by: User, attemptId: string, now: number): void {
  db.transaction(() => {
    const attempt = anyAttempt(db, attemptId);
    if (attempt.phase === 'handed-in') throw new Refusal('handed-in', 409);
    if (lockedIn(attempt) === null) return;
    say(db, attempt, { type: 'unlocked', by: by.displayName }, now);
  }).immediate();
}
