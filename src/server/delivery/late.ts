import type { AttemptEvent, BrowserEvent } from '@/core/attempt/events';
import { may } from '@/core/attempt/may';
import { reduce } from '@/core/attempt/reducer';
import { NEW_ATTEMPT } from '@/core/attempt/state';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { anyAttempt, type AttemptRow } from './attempts';
import { forgetAssets } from './content';
import { eventsOf, putResponses } from './eventLog';
import { keepScores } from './scores';
import { planOf, sittingOf } from './sittings';

type Answered = Extract<BrowserEvent, { type: 'answered' }>;

/** Answers to one question that nothing proves to have been given in time: kept, not counted, for a person to decide. */
export interface LateAnswer {
  readonly ref: string;
  /** From 1, in the order of the form. */
  readonly number: number;
  /** When the last of them was given by its computer's clock, and when it arrived; milliseconds since 1970. */
  readonly saidAt: number;
  readonly receivedAt: number;
  /** False in a part without a way back: the student was led on without it. */
  readonly mayCount: boolean;
}

interface LateRow {
  readonly device: string;
  readonly seq: number;
  readonly at: number;
  readonly received_at: number;
  readonly body: string;
}
const undecided = (db: Db, attemptId: string): readonly (LateRow & { readonly event: Answered })[] =>
  prepared<[string], LateRow>(
    db,
    `SELECT device, seq, at, received_at, body FROM events e WHERE attempt_id = ? AND standing = 'late'
       AND json_extract(body, '$.type') = 'answered'
       AND NOT EXISTS (SELECT 1 FROM judgements j WHERE j.attempt_id = e.attempt_id AND j.device = e.device AND j.seq = e.seq)
     ORDER BY at, device, seq`,
  )
    .all(attemptId)
    .map((row) => ({ ...row, event: JSON.parse(row.body) as Answered }));

/** What of an attempt waits for a decision, in the order of its questions. */
export function lateAnswers(db: Db, attempt: Pick<AttemptRow, 'id' | 'test_id' | 'seed'>): LateAnswer[] {
  const rows = undecided(db, attempt.id);
  if (rows.length === 0) return [];
  const plan = planOf(db, attempt);
  return plan.places.flatMap(({ ref, part }, i) => {
    const last = rows.filter(({ event }) => event.item === ref).at(-1);
    const mayCount = plan.parts[part]?.part.navigation === 'nonlinear';
    return last ? [{ ref, number: i + 1, saidAt: last.at, receivedAt: last.received_at, mayCount }] : [];
  });
}

/**
 * The moment nearest to the one that was said at which a question took answers; null where it never did. Between two events it takes
 * them, or does not, from the one to the next.
 */
function nearestOpen(events: readonly AttemptEvent[], event: Answered, until: number): number | null {
  let state = NEW_ATTEMPT;
  let nearest: number | null = null;
  for (const [i, one] of events.entries()) {
    state = reduce(state, one);
    if (may(state, event, one.at) !== null) continue;
    const { limit, used, runningSince } = state.timing;
    const over = limit === null || runningSince === null ? Infinity : runningSince + limit - used;
    const last = Math.min(events[i + 1]?.at ?? until, over, until) - 1;
    if (last < one.at) continue;
    const at = Math.min(Math.max(event.at, one.at), last);
    if (nearest === null || Math.abs(at - event.at) < Math.abs(nearest - event.at)) nearest = at;
  }
  return nearest;
}

/**
 * Whoever supervises decides whether the late answers to a question count. Those that do are counted as given when the question last
 * took answers, and a test that is handed in is scored again. Decided once; again changes nothing.
 * @param by whoever supervises
 * @throws Refusal `not-found`; `closed` where the student was led on without it, or the question never took answers
 */
export function judgeLate(
  db: Db,
  by: User,
  { attemptId, ref, counts }: { readonly attemptId: string; readonly ref: string; readonly counts: boolean },
  now: number,
): void {
  db.transaction(() => {
    const attempt = anyAttempt(db, attemptId);
    const rows = undecided(db, attemptId).filter(({ event }) => event.item === ref);
    if (rows.length === 0) return;
    const mayCount = lateAnswers(db, attempt).find((one) => one.ref === ref)?.mayCount ?? false;
    if (counts && !mayCount) throw new Refusal('closed', 409);
    const events = eventsOf(db, attemptId);
    for (const { device, seq, event } of rows) {
      prepared(
        db,
        'INSERT INTO judgements (attempt_id, device, seq, counts, said_at, judged_at, judged_by) VALUES (?, ?, ?, ?, ?, ?, ?)',
      ).run(attemptId, device, seq, Number(counts), event.at, now, by.id);
      if (!counts) continue;
      const at = nearestOpen(events, event, attempt.handed_in_at ?? now);
      if (at === null) throw new Refusal('closed', 409);
      // With a number of its own at the end of the log, so that whoever goes on from a place in it hears of it.
      prepared(
        db,
        `UPDATE events SET id = (SELECT max(id) + 1 FROM events), at = ?, body = json_set(body, '$.at', ?), standing = 'counts'
         WHERE attempt_id = ? AND device = ? AND seq = ?`,
      ).run(at, at, attemptId, device, seq);
      putResponses(db, attemptId, { ...event, at });
    }
    forgetAssets(db, attemptId);
    scoreAgain(db, attempt);
  }).immediate();
}

/** A test that is handed in is scored again: answers to it have come to count. */
export function scoreAgain(db: Db, attempt: AttemptRow): void {
  if (attempt.handed_in_at !== null) keepScores(db, attempt.id, sittingOf(db, attempt, attempt.handed_in_at));
}
