import { randomUUID } from 'node:crypto';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';

/** Pages one attempt is opened in at most: a reload a minute for a week. */
const MAX_DEVICES = 10_000;

export interface DeviceRow {
  readonly id: string;
  readonly opened_at: number;
  /** Up to which number nothing is missing. */
  readonly acknowledged: number;
  readonly newest_at: number;
}

/** Names a page that opens an attempt. The name cannot be guessed; the session that opened it is kept with it. */
export function openDevice(db: Db, attemptId: string, session: string | null, now: number): string {
  const count = prepared<[string], { count: number }>(
    db,
    'SELECT count(*) AS count FROM devices WHERE attempt_id = ?',
  ).get(attemptId);
  if ((count?.count ?? 0) >= MAX_DEVICES) throw new Refusal('too-much', 429);
  const id = randomUUID();
  prepared(
    db,
    'INSERT INTO devices (id, attempt_id, session, opened_at, newest_at) VALUES (?, ?, ?, ?, ?)',
  ).run(id, attemptId, session, now, now);
  return id;
}

/** A page of this attempt. @throws Refusal `unknown-device` for a name that was never given for it */
export function deviceOf(db: Db, attemptId: string, id: string): DeviceRow {
  const row = prepared<[string, string], DeviceRow>(
    db,
    'SELECT id, opened_at, acknowledged, newest_at FROM devices WHERE id = ? AND attempt_id = ?',
  ).get(id, attemptId);
  if (!row) throw new Refusal('unknown-device', 409);
  return row;
}

/**
 * Counts on from what is acknowledged: to the last number before a gap. What usually comes is the next numbers, so that nothing
 * is counted anew.
 */
export function acknowledge(db: Db, attemptId: string, device: DeviceRow, newestAt: number): number {
  const seqs = prepared<[string, string, number], { seq: number }>(
    db,
    'SELECT seq FROM events WHERE attempt_id = ? AND device = ? AND seq > ? ORDER BY seq',
  );
  let contiguous = device.acknowledged;
  for (const { seq } of seqs.iterate(attemptId, device.id, contiguous)) {
    if (seq !== contiguous + 1) break;
    contiguous = seq;
  }
  if (contiguous !== device.acknowledged || newestAt > device.newest_at)
    prepared(db, 'UPDATE devices SET acknowledged = ?, newest_at = max(newest_at, ?) WHERE id = ?').run(
      contiguous,
      newestAt,
      device.id,
    );
  return contiguous;
}
