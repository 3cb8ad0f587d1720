import { itemRefsOf } from '@/core/item/test';
import { correctOf, scoreItem } from '@/core/processing/score';
import { scoreTest, type ItemOutcome } from '@/core/processing/scoreTest';
import { toJson, type JsonValue, type Value } from '@/core/content/value';
import { deliverItem, deliverTest, itemSeed } from '@/core/deliver/deliver';
import { questionOrder, type DeliveredItem } from '@/core/item/delivered';
import { rawOf, type RawResponse } from '@/core/content/response';
import { prepareItem } from '@/core/processing/prepare';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { attemptOf, type AttemptRow } from '../delivery/attempts';
import { sessionsOf } from '../delivery/itemSessions';
import { stateOf } from '../delivery/eventLog';
import { loadTest } from '../library/library';
import { Refusal } from '../refusal';
import type { User } from '../accounts/users';

const inJson = (outcomes: Readonly<Record<string, Value>>): string =>
  JSON.stringify(Object.fromEntries(Object.entries(outcomes).map(([name, value]) => [name, toJson(value)])));

/** Scores every question this attempt got from its events, then the test, and keeps the results. */
export function scoreAttempt(db: Db, attempt: Pick<AttemptRow, 'id' | 'test_id' | 'seed'>): void {
  const { id: attemptId, seed } = attempt;
  const content = loadTest(db, attempt.test_id);
  if (!content) throw new Refusal('not-found', 404);
  const sessions = sessionsOf(db, attemptId);
  const state = stateOf(db, attemptId);
  const got = new Set(orderOf(db, attempt).order);
  const outcomesByRef = new Map<string, ItemOutcome>();
  for (const ref of itemRefsOf(content.test)) {
    const item = content.items.get(ref.item);
    if (!item || !got.has(ref.identifier)) continue;
    const session = sessions.get(ref.identifier);
    const { responses = {}, opened = false } = state.items[ref.identifier] ?? {};
    const ownSeed = itemSeed(seed, ref.identifier);
    const score = scoreItem(item, responses, { seed: ownSeed, tries: Math.max(1, session?.tries ?? 1) });
    // An adaptive item was scored try by try; what its last check gave stands.
    const outcomes = item.adaptive && session ? { ...score.outcomes, ...session.outcomes } : score.outcomes;
    prepared(
      db,
      `INSERT INTO item_results (attempt_id, item, outcomes, progress, scored_by) VALUES (?, ?, ?, ?, ?)
       ON CONFLICT (attempt_id, item) DO UPDATE SET outcomes = excluded.outcomes, progress = excluded.progress, scored_by = excluded.scored_by`,
    ).run(attemptId, ref.identifier, inJson(outcomes), score.progress, score.scoredBy);
    outcomesByRef.set(ref.identifier, { ...score, item, outcomes, presented: opened });
  }
  if (content.test.outcomeProcessing.length === 0) return;
  prepared(
    db,
    `INSERT INTO test_results (attempt_id, outcomes) VALUES (?, ?)
     ON CONFLICT (attempt_id) DO UPDATE SET outcomes = excluded.outcomes`,
  ).run(attemptId, inJson(scoreTest(content.test, outcomesByRef)));
}

export type Verdict = 'right' | 'partly' | 'wrong' | 'not-answered' | 'not-marked';
export interface QuestionResult {
  readonly number: number;
  readonly verdict: Verdict;
  readonly score: number | null;
  readonly maximum: number | null;
}
export interface AttemptResult {
  readonly title: string;
  readonly handedInAt: number;
  readonly questions: readonly QuestionResult[];
  readonly score: number;
  /** Points that could be had in questions already marked. */
  readonly maximum: number;
  readonly notMarked: number;
}

const numberIn = (outcomes: Record<string, JsonValue>, name: string): number | null =>
  typeof outcomes[name] === 'number' ? outcomes[name] : null;

function verdictOf(
  score: number | null,
  maximum: number | null,
  progress: string,
  scoredBy: string,
): Verdict {
  if (progress === 'empty') return 'not-answered';
  if (scoredBy !== 'machine') return 'not-marked';
  if (score === null || score <= 0) return 'wrong';
  return maximum !== null && score < maximum ? 'partly' : 'right';
}

/** The questions of an attempt in the order this student had them. */
function orderOf(db: Db, attempt: Pick<AttemptRow, 'test_id' | 'seed'>): { title: string; order: string[] } {
  const content = loadTest(db, attempt.test_id);
  if (!content) throw new Refusal('not-found', 404);
  const delivered = deliverTest(content.test, content.items, content.stimuli, attempt.seed);
  return { title: content.test.title, order: questionOrder(delivered) };
}

function resultOf(db: Db, attempt: AttemptRow): AttemptResult | null {
  if (attempt.phase !== 'handed-in' || attempt.handed_in_at === null) return null;
  const { title, order } = orderOf(db, attempt);
  const rows = prepared<[string], { item: string; outcomes: string; progress: string; scored_by: string }>(
    db,
    'SELECT item, outcomes, progress, scored_by FROM item_results WHERE attempt_id = ?',
  ).all(attempt.id);
  const byItem = new Map(rows.map((row) => [row.item, row]));
  const questions = order.flatMap((ref, i): QuestionResult[] => {
    const row = byItem.get(ref);
    if (!row) return [];
    const outcomes = JSON.parse(row.outcomes) as Record<string, JsonValue>;
    const [score, maximum] = [numberIn(outcomes, 'SCORE'), numberIn(outcomes, 'MAXSCORE')];
    return [
      { number: i + 1, verdict: verdictOf(score, maximum, row.progress, row.scored_by), score, maximum },
    ];
  });
  const marked = questions.filter((one) => one.verdict !== 'not-marked');
  const whole = prepared<[string], { outcomes: string }>(
    db,
    'SELECT outcomes FROM test_results WHERE attempt_id = ?',
  ).get(attempt.id);
  // What the test itself says its score is; else the points of its questions.
  const own = whole ? (JSON.parse(whole.outcomes) as Record<string, JsonValue>) : {};
  return {
    title,
    handedInAt: attempt.handed_in_at,
    questions,
    score: numberIn(own, 'SCORE') ?? marked.reduce((sum, one) => sum + (one.score ?? 0), 0),
    maximum: numberIn(own, 'MAXSCORE') ?? marked.reduce((sum, one) => sum + (one.maximum ?? 0), 0),
    notMarked: questions.length - marked.length,
  };
}

/** The result of a student's own attempt; null while it is not handed in. @throws Refusal `not-found` */
export function resultFor(db: Db, user: User, attemptId: string): AttemptResult | null {
  return resultOf(db, attemptOf(db, user.id, attemptId));
}

export interface AnsweredQuestion extends QuestionResult {
  readonly item: DeliveredItem;
  readonly responses: Readonly<Record<string, RawResponse>>;
  /** Correct responses, where the test shows them (`show-solution`). */
  readonly solution: Readonly<Record<string, RawResponse>> | null;
}

/**
 * The questions of a handed-in attempt that may be looked at again (`allow-review`), with the answers given and, where the
 * test shows them, the right ones. Null while it is not handed in.
 * @throws Refusal `not-found`
 */
export function answersFor(
  db: Db,
  user: User,
  attemptId: string,
): { readonly title: string; readonly questions: readonly AnsweredQuestion[] } | null {
  const attempt = attemptOf(db, user.id, attemptId);
  const result = resultOf(db, attempt);
  const content = loadTest(db, attempt.test_id);
  if (!result || !content) return null;
  const { order } = orderOf(db, attempt);
  const refs = new Map(itemRefsOf(content.test).map((ref) => [ref.identifier, ref]));
  const sessions = sessionsOf(db, attemptId);
  const state = stateOf(db, attemptId);
  const questions = result.questions.flatMap((question): AnsweredQuestion[] => {
    const ref = refs.get(order[question.number - 1] ?? '');
    const item = ref && content.items.get(ref.item);
    if (!ref || !item || !ref.sessionControl.allowReview) return [];
    const session = sessions.get(ref.identifier) ?? null;
    const { showFeedback, showSolution } = ref.sessionControl;
    const correct = correctOf(item, prepareItem(item, itemSeed(attempt.seed, ref.identifier)));
    const solution = Object.fromEntries([...correct].map(([identifier, value]) => [identifier, rawOf(value)]));
    const known = Object.values(solution).some((response) => response !== null);
    return [
      {
        ...question,
        item: deliverItem(item, ref.identifier, attempt.seed, { showFeedback, session }),
        responses: state.items[ref.identifier]?.responses ?? {},
        solution: showSolution && known ? solution : null,
      },
    ];
  });
  return { title: result.title, questions };
}

export interface ClassRow {
  readonly student: string;
  readonly test: string;
  readonly state: 'not-started' | 'stopped' | 'handed-in';
  readonly score: number | null;
  readonly maximum: number | null;
}

/** Who has done what, for the teacher. */
export function classOverview(db: Db): ClassRow[] {
  const rows = prepared<[], { student: string; title: string; attempt_id: string | null; user_id: number }>(
    db,
    `SELECT u.display_name AS student, t.title, p.id AS attempt_id, u.id AS user_id
     FROM assignments a JOIN users u ON u.id = a.user_id JOIN tests t ON t.id = a.test_id
     LEFT JOIN attempts p ON p.assignment_id = a.id ORDER BY u.display_name, t.title`,
  ).all();
  return rows.map((row) => {
    const attempt = row.attempt_id === null ? null : attemptOf(db, row.user_id, row.attempt_id);
    const result = attempt && resultOf(db, attempt);
    return {
      student: row.student,
      test: row.title,
      state: attempt === null ? 'not-started' : attempt.phase === 'handed-in' ? 'handed-in' : 'stopped',
      score: result?.score ?? null,
      maximum: result?.maximum ?? null,
    };
  });
}
