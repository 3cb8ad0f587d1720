import type { ServerAction, ServerEvent } from '@/core/attempt/events';
import { replay } from '@/core/attempt/reducer';
import type { AttemptState } from '@/core/attempt/state';
import type { Timing } from '@/core/attempt/timing';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { appendEvent } from './eventLog';

export interface AttemptRow {
  readonly id: string;
  readonly assignment_id: number;
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
}

/** An attempt of this person. @throws Refusal `not-found`, also for somebody else's */
export function attemptOf(db: Db, userId: number, attemptId: string): AttemptRow {
  const row = prepared<[string, number], AttemptRow>(
    db,
    'SELECT p.*, a.test_id FROM attempts p JOIN assignments a ON a.id = p.assignment_id WHERE p.id = ? AND p.user_id = ?',
  ).get(attemptId, userId);
  if (!row) throw new Refusal('not-found', 404);
  return row;
}

export const timingOf = (row: AttemptRow): Timing => ({
  limit: row.limit_ms,
  used: row.used_ms,
  runningSince: row.running_since,
});

/**
 * Says something as the server: appends the event and brings the clock columns up to what the reducer makes of all the
 * server's events. The only writer of those columns.
 */
export function say(db: Db, attemptId: string, action: ServerAction, at: number): void {
  const seq =
    (prepared<[string], { top: number | null }>(
      db,
      "SELECT max(seq) AS top FROM events WHERE attempt_id = ? AND device = 'server'",
    ).get(attemptId)?.top ?? 0) + 1;
  appendEvent(db, attemptId, { ...action, device: 'server', seq, at }, at);
  const said = prepared<[string], { body: string }>(
    db,
    "SELECT body FROM events WHERE attempt_id = ? AND device = 'server' ORDER BY id",
  ).all(attemptId);
  const { phase, timing } = replay(said.map(({ body }) => JSON.parse(body) as ServerEvent));
  prepared(
    db,
    `UPDATE attempts SET phase = ?, limit_ms = ?, used_ms = ?, running_since = ?, last_alive_at = max(last_alive_at, ?),
       handed_in_at = CASE WHEN ? = 'handed-in' THEN coalesce(handed_in_at, ?) END WHERE id = ?`,
  ).run(phase, timing.limit, timing.used, timing.runningSince, at, phase, at, attemptId);
}
