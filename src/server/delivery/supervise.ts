import type { SupervisionDone } from '@/core/wire/desk';
import type { AddTimeRequest } from '@/core/wire/requests';
import { requireReachOfAssignment } from '../accounts/access';
import { closeAllSessions } from '../accounts/sessions';
import { noteDone } from '../accounts/supervisionLog';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { optionsOf } from './assignments';
import { attemptReached, lockedIn, momentFor, say, type AttemptRow } from './attempts';
import { handInNow } from './ending';
import { stateOf } from './eventLog';
import { letInByRoom } from './rooms';
import { catchUp } from './stages';

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
  const row = prepared<[number], Pick<AttemptRow, 'user_id' | 'test_id'>>(
    db,
    'SELECT user_id, test_id FROM assignments WHERE id = ?',
  ).get(assignmentId);
  if (row) note(db, by, 'let-in', row, now);
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
    note(db, by, 'unlocked', attempt, now);
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
    if (isHeld(attempt) || attempt.hold_by !== null) return;
    prepared(db, 'UPDATE attempts SET hold_by = ? WHERE id = ?').run(by.displayName, attemptId);
    note(db, by, 'held', attempt, now);
    if (attempt.phase === 'stopped') takeHold(db, { ...attempt, hold_by: by.displayName }, now);
  }).immediate();
}

/** Whether whoever supervises holds an attempt. */
export const isHeld = ({ holds }: Pick<AttemptRow, 'holds'>): boolean =>
  (JSON.parse(holds) as readonly string[]).includes('proctor');

/** The page of an attempt is heard, and what it had to send is kept: what was asked of it meanwhile is done. */
export function takeOrders(db: Db, attempt: AttemptRow, now: number): AttemptRow {
  const { end_by: ended, move_by: moved, phase } = attempt;
  if (ended !== null && (phase === 'running' || phase === 'stopped')) return endNow(db, attempt, ended, now);
  return moved !== null && phase === 'running' ? moveNow(db, attempt, now) : takeHold(db, attempt, now);
}

/** A pause that was asked for begins. */
function takeHold(db: Db, attempt: AttemptRow, now: number): AttemptRow {
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
    if (isHeld(attempt) || attempt.hold_by !== null) note(db, by, 'released', attempt, now);
    if (!isHeld(attempt)) return;
    const row = lockAfterPause(db, { ...attempt, hold_by: null }, now);
    say(db, row, { type: 'resumed', by: by.displayName, proctor: true }, now);
  }).immediate();
}

/** A page that gave a sign of life so lately is waited for, in milliseconds: what it holds comes with its next. */
const HEARD_MS = 30_000;

/**
 * Gives so many minutes more to every clock that could end what the student is at: the test's, and those of the part, section and question.
 * Its page hears of it with its next sign of life.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`, `handed-in`, `not-begun`; `no-clock` where nothing that the student is at has a time limit
 */
export function addTime(
  db: Db,
  by: User,
  attemptId: string,
  { minutes, reason }: AddTimeRequest,
  now: number,
): void {
  db.transaction(() => {
    const found = openAttempt(db, by, attemptId);
    // What has ended by now stays so.
    const { attempt, sitting } = catchUp(db, found, momentFor(found, now));
    if (!sitting.isTimed) throw new Refusal('no-clock', 409);
    say(db, attempt, { type: 'time-added', ms: minutes * 60_000, by: by.displayName }, now);
    note(db, by, 'time-added', attempt, now, { detail: String(minutes), reason });
  }).immediate();
}

/**
 * Ends an attempt: it is handed in as it stands. One that is open in a page is ended once the page has sent what it holds; one that is
 * not, or is not heard of, at once. Again, while it is waited for, is at once too.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`, `handed-in`, `not-begun`
 */
export function endAttempt(db: Db, by: User, attemptId: string, reason: string, now: number): void {
  db.transaction(() => {
    const attempt = openAttempt(db, by, attemptId);
    const heard = attempt.phase === 'running' && now - attempt.last_alive_at < HEARD_MS;
    if (attempt.end_by === null) note(db, by, 'ended', attempt, now, { reason });
    if (heard && attempt.end_by === null)
      prepared(db, 'UPDATE attempts SET end_by = ? WHERE id = ?').run(by.displayName, attemptId);
    else endNow(db, attempt, by.displayName, now);
  }).immediate();
}

/**
 * Lets an attempt go on at another computer: it stops, and its student is signed out everywhere, to sign in there. One that is open in a
 * page is stopped once the page has sent what it holds; one that is not, or is not heard of, at once. Again, while it is waited for, is
 * at once too.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`, `handed-in`, `not-begun`
 */
export function moveAttempt(db: Db, by: User, attemptId: string, reason: string, now: number): void {
  db.transaction(() => {
    const attempt = openAttempt(db, by, attemptId);
    const heard = attempt.phase === 'running' && now - attempt.last_alive_at < HEARD_MS;
    if (attempt.move_by === null) note(db, by, 'moved', attempt, now, { reason });
    if (heard && attempt.move_by === null)
      prepared(db, 'UPDATE attempts SET move_by = ? WHERE id = ?').run(by.displayName, attemptId);
    else moveNow(db, attempt, now);
  }).immediate();
}

function moveNow(db: Db, attempt: AttemptRow, now: number): AttemptRow {
  prepared(db, 'UPDATE attempts SET move_by = NULL WHERE id = ?').run(attempt.id);
  const row = { ...attempt, move_by: null };
  const after = row.phase === 'running' ? say(db, row, { type: 'stopped', reason: 'moved' }, now) : row;
  closeAllSessions(db, attempt.user_id);
  return after;
}

function endNow(db: Db, attempt: AttemptRow, by: string, now: number): AttemptRow {
  prepared(db, 'UPDATE attempts SET end_by = NULL, hold_by = NULL WHERE id = ?').run(attempt.id);
  return handInNow(db, { ...attempt, end_by: null, hold_by: null }, 'proctor', now, by);
}

/** An attempt that is begun and not over. @throws Refusal */
function openAttempt(db: Db, by: User, attemptId: string): AttemptRow {
  const attempt = attemptReached(db, by, 'supervise', attemptId);
  if (attempt.phase === 'handed-in') throw new Refusal('handed-in', 409);
  if (attempt.phase === 'not-started') throw new Refusal('not-begun', 409);
  return attempt;
}

const note = (
  db: Db,
  by: User,
  done: SupervisionDone,
  { user_id: student, test_id: testId }: Pick<AttemptRow, 'user_id' | 'test_id'>,
  now: number,
  more: { readonly detail?: string; readonly reason?: string } = {},
): void => noteDone(db, by, { done, student, testId, ...more }, now);

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
