import { requireReachOfAssignment } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { optionsOf } from './assignments';
import { attemptReached, lockedIn, say, type AttemptRow } from './attempts';
import { stateOf } from './eventLog';
import { letInByRoom } from './rooms';

/**
 * Lets a student in: the go-ahead an assignment asks for, and who asks with a room's code. Again is harmless.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`
 */
export function letIn(db: Db, by: User, assignmentId: number, now: number): void {
  requireReachOfAssignment(db, by, 'supervise', assignmentId);
  prepared(
    db,
    `UPDATE assignments SET let_in_at = coalesce(let_in_at, ?), let_in_by = coalesce(let_in_by, ?) WHERE id = ?`,
  ).run(now, by.id, assignmentId);
  letInByRoom(db, assignmentId, now);
}

/**
 * Opens the questions that were locked after a long pause; the page that has the attempt is told with its next save. Again is harmless.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`, `handed-in`
 */
export function unlock(db: Db, by: User, attemptId: string, now: number): void {
  db.transaction(() => {
    const attempt = attemptReached(db, by, 'supervise', attemptId);
    if (attempt.phase === 'handed-in') throw new Refusal('handed-in', 409);
    if (lockedIn(attempt) === null) return;
    say(db, attempt, { type: 'unlocked', by: by.displayName }, now);
  }).immediate();
}

/**
 * Pauses an attempt: its clock stands and its screen is covered, until whoever supervises lets it go on. One that is open in a page is
 * paused once the page has heard of it, so that nothing is answered that would not count. Again is harmless.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`, `handed-in`
 */
export function hold(db: Db, by: User, attemptId: string, now: number): void {
  db.transaction(() => {
    const attempt = attemptReached(db, by, 'supervise', attemptId);
    if (attempt.phase === 'handed-in') throw new Refusal('handed-in', 409);
    if (isHeld(attempt)) return;
    prepared(db, 'UPDATE attempts SET hold_by = ? WHERE id = ?').run(by.displayName, attemptId);
    if (attempt.phase === 'stopped') takeHold(db, { ...attempt, hold_by: by.displayName }, now);
  }).immediate();
}

/** Whether whoever supervises holds an attempt. */
export const isHeld = ({ holds }: Pick<AttemptRow, 'holds'>): boolean =>
  (JSON.parse(holds) as readonly string[]).includes('proctor');

/** The page of an attempt is heard: a pause that was asked for begins. */
export function takeHold(db: Db, attempt: AttemptRow, now: number): AttemptRow {
  const { hold_by: by, phase } = attempt;
  if (by === null || (phase !== 'running' && phase !== 'stopped')) return attempt;
  prepared(db, 'UPDATE attempts SET hold_by = NULL WHERE id = ?').run(attempt.id);
  return say(db, { ...attempt, hold_by: null }, { type: 'stopped', reason: 'proctor', by }, now);
}

/**
 * Lets a paused attempt go on: by itself where it is open in a page and its student has not stopped it too. Again is harmless.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`
 */
export function release(db: Db, by: User, attemptId: string, now: number): void {
  db.transaction(() => {
    const attempt = attemptReached(db, by, 'supervise', attemptId);
    prepared(db, 'UPDATE attempts SET hold_by = NULL WHERE id = ?').run(attemptId);
    if (!isHeld(attempt)) return;
    const row = lockAfterPause(db, { ...attempt, hold_by: null }, now);
    say(db, row, { type: 'resumed', by: by.displayName, proctor: true }, now);
  }).immediate();
}

/** After a pause longer than the assignment allows, what was answered before it is locked. */
export function lockAfterPause(db: Db, attempt: AttemptRow, now: number): AttemptRow {
  if (attempt.phase !== 'stopped' || attempt.paused_at === null) return attempt;
  const { lockAfter } = optionsOf(db, attempt.assignment_id);
  if (lockAfter === null || now - attempt.paused_at < lockAfter * 60_000) return attempt;
  const known = lockedIn(attempt)?.items ?? [];
  const items = Object.entries(stateOf(db, attempt.id).items)
    .filter(
      ([ref, { responses }]) => !known.includes(ref) && Object.values(responses).some((one) => one !== null),
    )
    .map(([ref]) => ref);
  return items.length === 0 ? attempt : say(db, attempt, { type: 'locked', items }, now);
}
