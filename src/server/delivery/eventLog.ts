import { compareEvents, type AttemptEvent, type BrowserEvent } from '@/core/attempt/events';
import { History } from '@/core/attempt/history';
import { NEW_ATTEMPT, type AttemptState } from '@/core/attempt/state';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';

/** Appends an event unless it is there already. True when it is new. */
export function appendEvent(
  db: Db,
  attemptId: string,
  event: AttemptEvent,
  receivedAt: number,
  standing: 'counts' | 'late' = 'counts',
): boolean {
  const body = JSON.stringify(event);
  const { changes } = prepared(
    db,
    `INSERT INTO events (attempt_id, device, seq, at, received_at, body, standing) VALUES (?, ?, ?, ?, ?, ?, ?)
     ON CONFLICT (attempt_id, device, seq) DO NOTHING`,
  ).run(attemptId, event.device, event.seq, event.at, receivedAt, body, standing);
  if (changes === 0) return false;
  prepared(
    db,
    'UPDATE attempts SET event_count = event_count + 1, event_letters = event_letters + ? WHERE id = ?',
  ).run(body.length, attemptId);
  return true;
}

/** Whether a page has said something with a higher number that counts. */
export function isFollowed(db: Db, attemptId: string, device: string, seq: number): boolean {
  return (
    prepared<[string, string, number], { one: number }>(
      db,
      "SELECT 1 AS one FROM events WHERE attempt_id = ? AND device = ? AND seq > ? AND standing = 'counts' LIMIT 1",
    ).get(attemptId, device, seq) !== undefined
  );
}

interface EventRow {
  readonly id: number;
  readonly body: string;
}
const eventIn = ({ body }: EventRow): AttemptEvent => JSON.parse(body) as AttemptEvent;

/** The events of an attempt that count, in their one order. */
export const eventsOf = (db: Db, attemptId: string): AttemptEvent[] => eventsAfter(db, attemptId, 0).events;

/** Where an event stands in the log, and which it is. */
export interface LogPlace {
  readonly id: number;
  readonly device: string;
  readonly seq: number;
}

/** Those of them that were kept after another, in their one order, and the last of them in the log. */
export function eventsAfter(
  db: Db,
  attemptId: string,
  after: number,
): { readonly events: AttemptEvent[]; readonly last: LogPlace | null } {
  const rows = prepared<[string, number], EventRow & LogPlace>(
    db,
    "SELECT id, device, seq, body FROM events WHERE attempt_id = ? AND id > ? AND standing = 'counts' ORDER BY id",
  ).all(attemptId, after);
  return { events: rows.map(eventIn).sort(compareEvents), last: rows.at(-1) ?? null };
}

/** Whether just this event stands at a place of the log. */
export const isInLog = (db: Db, attemptId: string, { id, device, seq }: LogPlace): boolean =>
  prepared<[number, string, string, number], { one: number }>(
    db,
    'SELECT 1 AS one FROM events WHERE id = ? AND attempt_id = ? AND device = ? AND seq = ?',
  ).get(id, attemptId, device, seq) !== undefined;

/** Events, and letters of them, after which a state is kept. */
const SNAPSHOT_AFTER = { events: 300, letters: 2_000_000 } as const;

interface SnapshotRow {
  readonly event_id: number;
  readonly newest: string;
  readonly state: string;
}

/** The state of an attempt: what its events make, from the last state that was kept on. Keeps a new one when it was far. */
export function stateOf(db: Db, attemptId: string): AttemptState {
  const kept = prepared<[string], SnapshotRow>(
    db,
    'SELECT event_id, newest, state FROM snapshots WHERE attempt_id = ?',
  ).get(attemptId);
  const rows = prepared<[string, number], EventRow>(
    db,
    "SELECT id, body FROM events WHERE attempt_id = ? AND id > ? AND standing = 'counts' ORDER BY id",
  );
  const from = kept
    ? new History(
        { ...NEW_ATTEMPT, ...(JSON.parse(kept.state) as AttemptState) },
        JSON.parse(kept.newest) as AttemptEvent,
      )
    : new History();
  let fits = true;
  let letters = 0;
  let newest = kept?.event_id ?? 0;
  const tail = rows.all(attemptId, newest);
  for (const row of tail) {
    fits = fits && from.add(eventIn(row));
    letters += row.body.length;
    newest = row.id;
  }
  // One that belongs before the kept state: only the whole history can tell.
  const history = fits ? from : wholeHistory(db, attemptId);
  const last = history.last;
  if (last && (!fits || tail.length >= SNAPSHOT_AFTER.events || letters >= SNAPSHOT_AFTER.letters))
    prepared(
      db,
      `INSERT INTO snapshots (attempt_id, event_id, newest, state) VALUES (?, ?, ?, ?)
       ON CONFLICT (attempt_id) DO UPDATE SET event_id = excluded.event_id, newest = excluded.newest, state = excluded.state`,
    ).run(
      attemptId,
      newest,
      JSON.stringify({ device: last.device, seq: last.seq, at: last.at, type: last.type }),
      JSON.stringify(history.state),
    );
  return history.state;
}

function wholeHistory(db: Db, attemptId: string): History {
  const history = new History();
  for (const event of eventsOf(db, attemptId)) history.add(event);
  return history;
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

/** Letters of events one reply carries; at least one event, however large. */
const REPLY_LETTERS = 1_000_000;

/**
 * What others said since a cursor, as much as one reply carries, and the cursor to go on from: it stays where the reply was cut,
 * so that nothing is passed over.
 */
export function eventsSince(
  db: Db,
  attemptId: string,
  cursor: number,
  exceptDevice: string,
): { readonly events: readonly AttemptEvent[]; readonly cursor: number } {
  const rows = prepared<[string, number, string], EventRow>(
    db,
    "SELECT id, body FROM events WHERE attempt_id = ? AND id > ? AND device <> ? AND standing = 'counts' ORDER BY id",
  );
  const events: AttemptEvent[] = [];
  let letters = 0;
  let last = cursor;
  for (const row of rows.iterate(attemptId, cursor, exceptDevice)) {
    letters += row.body.length;
    if (events.length > 0 && letters > REPLY_LETTERS) return { events, cursor: last };
    events.push(eventIn(row));
    last = row.id;
  }
  return { events, cursor: Math.max(cursor, newestEvent(db, attemptId)) };
}

/** The responses as they stand, beside the events; the later answer wins, as in the history. */
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
