import type { Act } from '@/core/access/access';
import { SERVER, type ServerAction } from '@/core/attempt/events';
import { reduce } from '@/core/attempt/reducer';
import { NEW_ATTEMPT, type AttemptState } from '@/core/attempt/state';
import type { Timing } from '@/core/attempt/timing';
import { requireAct, requireReach } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { appendEvent } from './eventLog';

export interface AttemptRow {
  readonly id: string;
  readonly assignment_id: number;
  /** The version of the test it was begun on. */
  readonly test_id: number;
  readonly user_id: number;
  readonly seed: string;
  readonly device: string | null;
  readonly phase: AttemptState['phase'];
  readonly limit_ms: number | null;
  readonly used_ms: number;
  readonly running_since: number | null;
  readonly last_alive_at: number;
  readonly begun_at: number;
  readonly handed_in_at: number | null;
  readonly paused_at: number | null;
  readonly event_count: number;
  readonly event_letters: number;
  readonly server_seq: number;
  readonly server_at: number;
  /** JSON: who keeps it from running. */
  readonly holds: string;
  /** JSON: what is locked after a long pause; null where nothing is. */
  readonly locked: string | null;
  /** Who wants it paused, until its page has heard of it. */
  readonly hold_by: string | null;
  /** Who wants it ended, until its page has sent what it holds. */
  readonly end_by: string | null;
  /** Who wants it to go on at another computer, until its page has sent what it holds. */
  readonly move_by: string | null;
  /** The question its page is at. */
  readonly current_item: string | null;
  /** Under which its test was sent before its clock started; null where it was not. */
  readonly seal_key: string | null;
}

/**
 * An attempt of this person.
 * @throws Refusal `not-found`, also for somebody else's, and for one of another assignment than a room's code was for; `no-go-ahead`
 * where who signed in with such a code has still to be let in
 */
export function attemptOf(db: Db, user: Pick<User, 'id' | 'room'>, attemptId: string): AttemptRow {
  const row = prepared<[string, number], AttemptRow>(
    db,
    'SELECT * FROM attempts WHERE id = ? AND user_id = ?',
  ).get(attemptId, user.id);
  if (!row || (user.room && user.room.assignmentId !== row.assignment_id))
    throw new Refusal('not-found', 404);
  if (user.room?.letIn === false) throw new Refusal('no-go-ahead', 409);
  return row;
}

/** Whether an attempt is this person's. */
export const isAttemptOf = (db: Db, user: Pick<User, 'id'>, attemptId: string): boolean =>
  prepared<[string, number], { id: string }>(db, 'SELECT id FROM attempts WHERE id = ? AND user_id = ?').get(
    attemptId,
    user.id,
  ) !== undefined;

/** An attempt, whoever's it is. @throws Refusal `not-found` */
export function anyAttempt(db: Db, attemptId: string): AttemptRow {
  const row = prepared<[string], AttemptRow>(db, 'SELECT * FROM attempts WHERE id = ?').get(attemptId);
  if (!row) throw new Refusal('not-found', 404);
  return row;
}

/** Practice is the student's alone. */
const isPractice = (db: Db, { assignment_id: id }: AttemptRow): boolean =>
  prepared<[number], { practice: number }>(db, 'SELECT practice FROM assignments WHERE id = ?').get(id)
    ?.practice === 1;

/** An attempt of a student whom somebody reaches with what they want to do. @throws Refusal `not-yours`, `not-found`, also for practice */
export function attemptReached(db: Db, by: User, act: Act, attemptId: string): AttemptRow {
  requireAct(by, act);
  const attempt = anyAttempt(db, attemptId);
  requireReach(db, by, act, attempt.user_id);
  if (isPractice(db, attempt)) throw new Refusal('not-found', 404);
  return attempt;
}

export const timingOf = (row: AttemptRow): Timing => ({
  limit: row.limit_ms,
  used: row.used_ms,
  runningSince: row.running_since,
});

export const lockedIn = ({ locked }: AttemptRow): AttemptState['locked'] =>
  locked === null ? null : (JSON.parse(locked) as AttemptState['locked']);

/** As much of an attempt's state as its row tells: enough to decide whether something may be done now. */
export const standingState = (row: AttemptRow): AttemptState => ({
  ...NEW_ATTEMPT,
  phase: row.phase,
  holds: JSON.parse(row.holds) as AttemptState['holds'],
  timing: timingOf(row),
  locked: lockedIn(row),
});

/**
 * When the server says something. It follows in time as it follows in number: stopped and gone on with in one moment is gone on with.
 */
export const momentFor = (row: AttemptRow, when: number): number =>
  row.server_seq === 0 ? when : Math.max(when, row.server_at + 1);

/**
 * Says something as the server: appends the event and brings the clock columns up to what the reducer makes of it. The only
 * writer of those columns.
 * @throws Error when the event was not kept: nothing the server says may be lost in silence
 */
export function say(db: Db, row: AttemptRow, action: ServerAction, when: number): AttemptRow {
  const at = momentFor(row, when);
  const event = { ...action, device: SERVER, seq: row.server_seq + 1, at };
  if (!appendEvent(db, row.id, event, at))
    throw new Error(`event ${event.seq} of the server was there already (attempt ${row.id})`);
  const { phase, timing, holds, locked } = reduce(standingState(row), event);
  const paused = phase === 'stopped' || phase === 'handed-in';
  const after = prepared<unknown[], AttemptRow>(
    db,
    `UPDATE attempts SET phase = ?, limit_ms = ?, used_ms = ?, running_since = ?, server_seq = ?, server_at = ?, holds = ?, locked = ?,
       last_alive_at = max(last_alive_at, ?), paused_at = CASE WHEN ? THEN ? ELSE paused_at END,
       handed_in_at = CASE WHEN ? = 'handed-in' THEN coalesce(handed_in_at, ?) END WHERE id = ? RETURNING *`,
  ).get(
    phase,
    timing.limit,
    timing.used,
    timing.runningSince,
    event.seq,
    at,
    JSON.stringify(holds),
    locked && JSON.stringify(locked),
    at,
    Number(paused && phase !== row.phase),
    at,
    phase,
    at,
    row.id,
  );
  if (!after) throw new Error(`the attempt ${row.id} is gone`);
  return after;
}
