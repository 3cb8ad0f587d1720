import type { AttemptEvent, BrowserEvent } from '@/core/attempt/events';
import { replay } from '@/core/attempt/reducer';
import type { AttemptState } from '@/core/attempt/state';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';

/** Appends an event unless it is there already. True when it is new. */
export function appendEvent(db: Db, attemptId: string, event: AttemptEvent, receivedAt: number): boolean {
  const { changes } = prepared(
    db,
    `INSERT INTO events (attempt_id, device, seq, at, received_at, body) VALUES (?, ?, ?, ?, ?, ?)
     ON CONFLICT (attempt_id, device, seq) DO NOTHING`,
  ).run(attemptId, event.device, event.seq, event.at, receivedAt, JSON.stringify(event));
  return changes > 0;
}

/** The highest number of a device up to which nothing is missing: what the browser may forget. */
export function acknowledged(db: Db, attemptId: string, device: string): number {
  const row = prepared<[string, string], { count: number; top: number | null }>(
    db,
    'SELECT count(*) AS count, max(seq) AS top FROM events WHERE attempt_id = ? AND device = ?',
  ).get(attemptId, device);
  if (!row || row.top === null) return 0;
  if (row.count === row.top) return row.top;
  const seqs = prepared<[string, string], { seq: number }>(
    db,
    'SELECT seq FROM events WHERE attempt_id = ? AND device = ? ORDER BY seq',
  ).all(attemptId, device);
  let contiguous = 0;
  for (const { seq } of seqs) {
    if (seq !== contiguous + 1) break;
    contiguous = seq;
  }
  return contiguous;
}

/** All events of an attempt in order of arrival. */
export function eventsOf(db: Db, attemptId: string): AttemptEvent[] {
  return prepared<[string], { body: string }>(db, 'SELECT body FROM events WHERE attempt_id = ? ORDER BY id')
    .all(attemptId)
    .map(({ body }) => JSON.parse(body) as AttemptEvent);
}

/** The state of an attempt: all its events through the one reducer. */
export function stateOf(db: Db, attemptId: string): AttemptState {
  return replay(eventsOf(db, attemptId));
}

/** The number of the newest event. */
export function newestEvent(db: Db, attemptId: string): number {
  return (
    prepared<[string], { top: number | null }>(
      db,
      'SELECT max(id) AS top FROM events WHERE attempt_id = ?',
    ).get(attemptId)?.top ?? 0
  );
}

/** Events since a cursor that other devices or the server made. */
export function eventsSince(db: Db, attemptId: string, cursor: number, exceptDevice: string): AttemptEvent[] {
  return prepared<[string, number, string], { body: string }>(
    db,
    'SELECT body FROM events WHERE attempt_id = ? AND id > ? AND device <> ? ORDER BY id LIMIT 2000',
  )
    .all(attemptId, cursor, exceptDevice)
    .map(({ body }) => JSON.parse(body) as AttemptEvent);
}

/** The responses as they stand, beside the events; the later answer wins, as in the reducer. */
export function putResponses(
  db: Db,
  attemptId: string,
  event: Extract<BrowserEvent, { type: 'answered' }>,
): void {
  for (const [response, value] of Object.entries(event.responses)) {
    prepared(
      db,
      `INSERT INTO responses (attempt_id, item, response, value, answered_at) VALUES (?, ?, ?, ?, ?)
       ON CONFLICT (attempt_id, item, response) DO UPDATE SET value = excluded.value, answered_at = excluded.answered_at
       WHERE excluded.answered_at >= responses.answered_at`,
    ).run(attemptId, event.item, response, JSON.stringify(value), event.at);
  }
}
