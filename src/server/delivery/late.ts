import type { LateAnswer } from '@/core/wire/desk';
import type { AttemptEvent, BrowserEvent } from '@/core/attempt/events';
import { may } from '@/core/attempt/may';
import { reduce } from '@/core/attempt/reducer';
import { NEW_ATTEMPT } from '@/core/attempt/state';
import { noteDone } from '../accounts/supervisionLog';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { attemptReached, type AttemptRow } from './attempts';
import { forgetAssets } from './content';
import { eventsOf, putResponses } from './eventLog';
import { keepScores } from './scores';
import { planOf } from './sittings';

type Answered = Extract<BrowserEvent, { type: 'answered' }>;

/** Writes down that an answer came late, beside its event. */
export function noteLate(
  db: Db,
  attemptId: string,
  { device, seq, item, at }: Answered,
  receivedAt: number,
): void {
  prepared(
    db,
    'INSERT INTO late_answers (attempt_id, device, seq, item, said_at, received_at) VALUES (?, ?, ?, ?, ?, ?)',
  ).run(attemptId, device, seq, item, at, receivedAt);
}

/** What of an attempt waits for a decision, in the order of its questions. */
export function lateAnswers(db: Db, attempt: Pick<AttemptRow, 'id' | 'test_id' | 'seed'>): LateAnswer[] {
  const rows = prepared<[string], { item: string; said_at: number; received_at: number }>(
    db,
    `SELECT item, max(said_at) AS said_at, max(received_at) AS received_at FROM late_answers
     WHERE attempt_id = ? AND counts IS NULL GROUP BY item`,
  ).all(attempt.id);
  if (rows.length === 0) return [];
  const plan = planOf(db, attempt);
  return plan.places.flatMap(({ ref, part }, i) => {
    const late = rows.find(({ item }) => item === ref);
    const mayCount = plan.parts[part]?.part.navigation === 'nonlinear';
    return late ? [{ ref, number: i + 1, saidAt: late.said_at, receivedAt: late.received_at, mayCount }] : [];
  });
}

/** From when to when, both included, something can be done. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** When a question took answers. Between two events it takes them, or does not, from the one to the next. */
function openStretches(events: readonly AttemptEvent[], answer: Answered, until: number): Stretch[] {
  let state = NEW_ATTEMPT;
  return events.flatMap((one, i): Stretch[] => {
    state = reduce(state, one);
    if (may(state, answer, one.at) !== null) return [];
    const { limit, used, runningSince } = state.timing;
    const over = limit === null || runningSince === null ? Infinity : runningSince + limit - used;
    const to = Math.min(events[i + 1]?.at ?? until, over, until) - 1;
    return to < one.at ? [] : [{ from: one.at, to }];
  });
}

/** The moment in any of the stretches that is nearest to another; null where there is none. */
function nearestIn(stretches: readonly Stretch[], at: number): number | null {
  const moments = stretches.map(({ from, to }) => Math.min(Math.max(at, from), to));
  return moments.reduce<number | null>(
    (best, one) => (best === null || Math.abs(one - at) < Math.abs(best - at) ? one : best),
    null,
  );
}

/**
 * Whoever supervises decides whether the late answers to a question count. Those that do are counted as given when the question last
 * took answers, and a test that is handed in is scored again. Decided once; again changes nothing.
 * @param by whoever supervises
 * @throws Refusal `not-found`, `not-yours`; `closed` where the student was led on without it, or the question never took answers
 */
export function judgeLate(
  db: Db,
  by: User,
  { attemptId, ref, counts }: { readonly attemptId: string; readonly ref: string; readonly counts: boolean },
  now: number,
): void {
  db.transaction(() => {
    const attempt = attemptReached(db, by, 'supervise', attemptId);
    const late = lateAnswers(db, attempt).find((one) => one.ref === ref);
    if (!late) return;
    if (counts && !late.mayCount) throw new Refusal('closed', 409);
    if (counts) countThem(db, attempt, ref, now);
    prepared(
      db,
      'UPDATE late_answers SET counts = ?, judged_at = ?, judged_by = ? WHERE attempt_id = ? AND item = ? AND counts IS NULL',
    ).run(Number(counts), now, by.id, attemptId, ref);
    noteDone(
      db,
      by,
      {
        done: counts ? 'late-counted' : 'late-left-out',
        student: attempt.user_id,
        testId: attempt.test_id,
        detail: String(late.number),
      },
      now,
    );
    if (!counts) return;
    forgetAssets(db, attemptId);
    scoreAgain(db, attempt);
  }).immediate();
}

/** Moves the undecided late answers to a question to where they count. */
function countThem(db: Db, attempt: AttemptRow, ref: string, now: number): void {
  const answers = prepared<[string, string], { body: string }>(
    db,
    `SELECT e.body FROM late_answers l JOIN events e USING (attempt_id, device, seq)
     WHERE l.attempt_id = ? AND l.item = ? AND l.counts IS NULL ORDER BY e.at, e.device, e.seq`,
  )
    .all(attempt.id, ref)
    .map(({ body }) => JSON.parse(body) as Answered);
  const [first] = answers;
  if (!first) return;
  const stretches = openStretches(eventsOf(db, attempt.id), first, attempt.handed_in_at ?? now);
  for (const event of answers) {
    const at = nearestIn(stretches, event.at);
    if (at === null) throw new Refusal('closed', 409);
    // With a number of its own at the end of the log, so that whoever goes on from a place in it hears of it.
    prepared(
      db,
      `UPDATE events SET id = (SELECT max(id) + 1 FROM events), at = ?, body = json_set(body, '$.at', ?), standing = 'counts'
       WHERE attempt_id = ? AND device = ? AND seq = ?`,
    ).run(at, at, attempt.id, event.device, event.seq);
    putResponses(db, attempt.id, { ...event, at });
  }
}

/** A test that is handed in is scored again: answers to it have come to count. */
export function scoreAgain(db: Db, attempt: AttemptRow): void {
  if (attempt.handed_in_at !== null) keepScores(db, attempt, attempt.handed_in_at);
}
