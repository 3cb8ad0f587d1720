import { randomUUID } from 'node:crypto';
import { GRACE, isOver, limitWith } from '@/core/attempt/timing';
import type { AttemptEvent, Batch, BrowserEvent } from '@/core/attempt/events';
import type { AttemptState } from '@/core/attempt/state';
import { deliverTest } from '@/core/deliver/deliver';
import { type DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import type { User } from '../accounts/users';
import { commitTogether } from '../db/groupCommit';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { loadAsset, loadTest } from '../library/library';
import { Refusal } from '../refusal';
import { scoreAttempt } from '../results/results';
import { assignedTest } from './assignments';
import { attemptOf, say, timingOf, type AttemptRow } from './attempts';
import { sessionsOf } from './itemSessions';
import { acknowledged, appendEvent, eventsSince, newestEvent, putResponses, stateOf } from './eventLog';

/**
 * Begins an attempt and its clock; a second call for the same assignment returns the attempt there is.
 * @throws Refusal `not-found`
 */
export function beginAttempt(db: Db, user: User, assignmentId: number, now: number): { attemptId: string } {
  return db
    .transaction(() => {
      const assigned = assignedTest(db, user, assignmentId);
      if (assigned.attemptId !== null) return { attemptId: assigned.attemptId };
      const attemptId = randomUUID();
      prepared(
        db,
        `INSERT INTO attempts (id, assignment_id, user_id, seed, phase, last_alive_at, begun_at) VALUES (?, ?, ?, ?, 'not-started', ?, ?)`,
      ).run(attemptId, assignmentId, user.id, randomUUID(), now, now);
      say(
        db,
        attemptId,
        { type: 'begun', limit: limitWith(assigned.timeLimit, user.needs.timeMultiplier) },
        now,
      );
      return { attemptId };
    })
    .immediate();
}

export interface AttemptContent {
  readonly test: DeliveredTest;
  readonly student: { readonly displayName: string; readonly needs: AccessNeeds };
}

/** Everything the browser needs for the attempt: questions, passages and what is set for this student. No keys. */
export function attemptContent(db: Db, user: User, attemptId: string): AttemptContent {
  const attempt = attemptOf(db, user.id, attemptId);
  const content = loadTest(db, attempt.test_id);
  if (!content) throw new Refusal('not-found', 404);
  return {
    test: deliverTest(content.test, content.items, content.stimuli, attempt.seed, sessionsOf(db, attemptId)),
    student: { displayName: user.displayName, needs: user.needs },
  };
}

/** A picture of the test, for the student whose attempt it is. */
export function attemptAsset(
  db: Db,
  user: User,
  attemptId: string,
  path: string,
): { mediaType: string; bytes: Buffer } {
  const attempt = attemptOf(db, user.id, attemptId);
  const content = loadTest(db, attempt.test_id);
  const asset = content && loadAsset(db, content.packageId, path);
  if (!asset) throw new Refusal('not-found', 404);
  return asset;
}

export interface Resumed {
  readonly state: AttemptState;
  readonly cursor: number;
  readonly serverNow: number;
}

/**
 * Opens an attempt in a browser, which becomes the one that counts. A stretch of time that was never closed (the browser
 * died) is closed at the last sign of life, so that the time away is not counted.
 */
export function resumeAttempt(db: Db, user: User, attemptId: string, device: string, now: number): Resumed {
  return db
    .transaction((): Resumed => {
      const attempt = attemptOf(db, user.id, attemptId);
      if (attempt.phase === 'running') closeStretch(db, attempt, device, now);
      const after = attemptOf(db, user.id, attemptId);
      if (after.phase === 'stopped') say(db, attemptId, { type: 'resumed', by: device }, now);
      prepared(db, 'UPDATE attempts SET device = ?, last_alive_at = max(last_alive_at, ?) WHERE id = ?').run(
        device,
        now,
        attemptId,
      );
      return { state: stateOf(db, attemptId), cursor: newestEvent(db, attemptId), serverNow: now };
    })
    .immediate();
}

function closeStretch(db: Db, attempt: AttemptRow, device: string, now: number): void {
  if (isOver(timingOf(attempt), attempt.last_alive_at)) {
    handInNow(db, attempt, 'time', attempt.last_alive_at);
    return;
  }
  if (attempt.device === null || attempt.device === device) return;
  const at = Math.min(now, Math.max(attempt.last_alive_at, attempt.running_since ?? 0));
  say(db, attempt.id, { type: 'stopped', reason: 'lost' }, at);
}

export interface Saved {
  /** The browser may forget its events up to this number. */
  readonly acknowledged: number;
  readonly serverNow: number;
  readonly cursor: number;
  /** What others said since the browser's cursor. */
  readonly others: readonly AttemptEvent[];
  /** Another browser has the attempt now; what came is kept all the same. */
  readonly moved: boolean;
  readonly phase: AttemptState['phase'];
}

/**
 * Keeps a batch. Acknowledged only once it is on the disk; sending again changes nothing. Events of a browser that has been
 * replaced are kept too: nothing a student gave is thrown away.
 */
export function saveBatch(db: Db, user: User, attemptId: string, batch: Batch, now: number): Promise<Saved> {
  return commitTogether(db, () => {
    const attempt = attemptOf(db, user.id, attemptId);
    const timing = timingOf(attempt);
    const moved = attempt.device !== null && attempt.device !== batch.device;
    let alive = moved ? 0 : now;
    for (const sent of batch.events) {
      const event: BrowserEvent = { ...sent, device: batch.device, at: Math.min(sent.at, now) };
      const counts = attempt.phase !== 'handed-in' && !isOver(timing, event.at, GRACE);
      if (appendEvent(db, attemptId, event, now) && event.type === 'answered' && counts)
        putResponses(db, attemptId, event);
      alive = Math.max(alive, event.at);
    }
    if (alive > attempt.last_alive_at)
      prepared(db, 'UPDATE attempts SET last_alive_at = ? WHERE id = ?').run(alive, attemptId);
    if (attempt.phase === 'running' && isOver(timing, now, GRACE)) handInNow(db, attempt, 'time', now);
    const others = eventsSince(db, attemptId, batch.cursor, batch.device);
    return {
      acknowledged: acknowledged(db, attemptId, batch.device),
      serverNow: now,
      cursor: newestEvent(db, attemptId),
      others,
      moved,
      phase: attemptOf(db, user.id, attemptId).phase,
    };
  });
}

/** Stops for now: the clock halts, everything stays. */
export function stopAttempt(db: Db, user: User, attemptId: string, device: string, now: number): void {
  db.transaction(() => {
    const attempt = attemptOf(db, user.id, attemptId);
    if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
    if (attempt.phase === 'running') say(db, attemptId, { type: 'stopped', reason: 'asked' }, now);
  }).immediate();
}

function handInNow(db: Db, attempt: AttemptRow, reason: 'asked' | 'time', now: number): void {
  say(db, attempt.id, { type: 'handed-in', reason }, now);
  scoreAttempt(db, attempt);
}

/**
 * Hands in: the answers are scored and the attempt is over. Again is harmless.
 * @throws Refusal `moved` when another browser has the attempt
 */
export function handIn(
  db: Db,
  user: User,
  attemptId: string,
  device: string,
  reason: 'asked' | 'time',
  now: number,
): void {
  db.transaction(() => {
    const attempt = attemptOf(db, user.id, attemptId);
    if (attempt.phase === 'handed-in') return;
    if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
    if (reason === 'time' && !isOver(timingOf(attempt), now + GRACE)) throw new Refusal('bad-input', 409);
    handInNow(db, attempt, reason, now);
  }).immediate();
}
