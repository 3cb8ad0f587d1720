import { createHash } from 'node:crypto';
import type { Content } from '@/core/content/content';
import type { RawResponse } from '@/core/content/response';
import { deliverItem, deliverScorerRubrics } from '@/core/deliver/deliver';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import {
  areFit,
  ONE_READER,
  settle,
  totalOf,
  traitsOf,
  type MarkingRule,
  type PersonPoints,
  type Trait,
} from '@/core/marking/marking';
import { numberOf } from '@/core/processing/numbers';
import { scoredBy } from '@/core/processing/score';
import { agreementOf, type Agreement } from '@/core/statistics/agreement';
import { IS_REACHED, reachFor } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { anyAttempt, attemptReached, type AttemptRow } from '../delivery/attempts';
import { deliveredOf, forgetAssets } from '../delivery/content';
import { scoreAgain } from '../delivery/late';
import { planOf, sittingOf } from '../delivery/sittings';
import { Refusal } from '../refusal';

/** A question whose answers a person marks, with how far that is. */
export interface QuestionToMark {
  readonly testId: number;
  readonly test: string;
  readonly ref: string;
  /** What the item is called. */
  readonly title: string;
  readonly rule: MarkingRule;
  /** Answers, and of them those that are done; those this reader can still mark. */
  readonly answers: number;
  readonly done: number;
  readonly forYou: number;
  /** How far the first two readers agree; null before there are two. */
  readonly agreement: Agreement | null;
}

interface AnswerRow {
  readonly attempt_id: string;
  readonly test_id: number;
  readonly item: string;
  readonly title: string;
}
interface MarkRow {
  readonly attempt_id: string;
  readonly item: string;
  readonly reader_id: number;
  readonly points: string;
  readonly note: string;
}

/** In SQL: a result that a person marks, whether it is done or not. */
const A_PERSON_MARKS = "r.scored_by <> 'machine' AND r.progress <> 'empty'";

/** How the answers to a test are marked. */
export function markingRule(db: Db, testId: number): MarkingRule {
  const row = prepared<[number], { readers: 1 | 2; differ_by: number }>(
    db,
    'SELECT readers, differ_by FROM marking_rules WHERE test_id = ?',
  ).get(testId);
  return row ? { readers: row.readers, differBy: row.differ_by } : ONE_READER;
}

/** The answers somebody may mark, of one question or of all. */
function answersReached(
  db: Db,
  by: User,
  only?: { readonly testId: number; readonly ref: string },
): AnswerRow[] {
  return prepared<[string, number, number | null, number | null, string | null], AnswerRow>(
    db,
    `SELECT r.attempt_id, p.test_id, r.item, t.title FROM item_results r
       JOIN attempts p ON p.id = r.attempt_id JOIN users u ON u.id = p.user_id JOIN tests t ON t.id = p.test_id
     WHERE ${A_PERSON_MARKS} AND u.guest = 0 AND ${IS_REACHED} AND (? IS NULL OR (p.test_id = ? AND r.item = ?))`,
  ).all(...reachFor(by, 'mark'), only?.testId ?? null, only?.testId ?? null, only?.ref ?? null);
}

/** The marks of answers by attempt and question, each list in the order in which its readers came. */
function marksBy(db: Db, testId: number): Map<string, MarkRow[]> {
  const rows = prepared<[number], MarkRow>(
    db,
    `SELECT m.attempt_id, m.item, m.reader_id, m.points, m.note FROM marks m JOIN attempts p ON p.id = m.attempt_id
     WHERE p.test_id = ? ORDER BY m.first_at, m.reader_id`,
  ).all(testId);
  const all = new Map<string, MarkRow[]>();
  for (const row of rows) {
    const key = keyOf(row);
    all.set(key, [...(all.get(key) ?? []), row]);
  }
  return all;
}
const keyOf = ({ attempt_id: attempt, item }: Pick<AnswerRow, 'attempt_id' | 'item'>) => `${attempt} ${item}`;
const pointsIn = ({ points }: Pick<MarkRow, 'points'>): PersonPoints => JSON.parse(points) as PersonPoints;

/** Whether a reader can mark an answer: it waits for one more, and they are not among those who have. */
function isFor(by: User, marks: readonly MarkRow[], rule: MarkingRule): boolean {
  return settle(marks.map(pointsIn), rule).state === 'waits' && !marks.some((one) => one.reader_id === by.id);
}

/** What there is to mark, question by question. @throws Refusal `not-yours` */
export function questionsToMark(db: Db, by: User): QuestionToMark[] {
  const groups = new Map<string, AnswerRow[]>();
  for (const row of answersReached(db, by)) {
    const key = `${row.test_id} ${row.item}`;
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  const marks = new Map<number, Map<string, MarkRow[]>>();
  const questions = [...groups.values()].flatMap((answers): QuestionToMark[] => {
    const [first] = answers;
    if (!first) return [];
    const { test_id: testId, title: test, item: ref } = first;
    const ofTest = marks.get(testId) ?? marksBy(db, testId);
    marks.set(testId, ofTest);
    const rule = markingRule(db, testId);
    const given = answers.map((answer) => ofTest.get(keyOf(answer)) ?? []);
    const pairs = given.flatMap(([one, two]) =>
      one && two ? [[totalOf(pointsIn(one)), totalOf(pointsIn(two))] as const] : [],
    );
    return [
      {
        testId,
        test,
        ref,
        title: planOf(db, anyAttempt(db, first.attempt_id)).placeOf(ref)?.item.title ?? ref,
        rule,
        answers: answers.length,
        done: given.filter((one) => settle(one.map(pointsIn), rule).state === 'settled').length,
        forYou: given.filter((one) => isFor(by, one, rule)).length,
        agreement: pairs.length > 0 ? agreementOf(pairs) : null,
      },
    ];
  });
  return questions.sort(
    (a, b) => a.test.localeCompare(b.test) || a.testId - b.testId || a.ref.localeCompare(b.ref),
  );
}

/** An answer as it was handed in, for whoever marks it: without a name. */
export interface AnswerToMark {
  readonly attemptId: string;
  readonly testId: number;
  readonly ref: string;
  readonly test: string;
  readonly title: string;
  readonly item: DeliveredItem;
  readonly stimuli: DeliveredTest['stimuli'];
  readonly responses: Readonly<Record<string, RawResponse>>;
  readonly rubrics: readonly Content[];
  readonly traits: readonly Trait[];
  /** What the machine gave for its part; null where all of it is a person's. */
  readonly machine: number | null;
  /** What this reader gave; null before they have. */
  readonly own: { readonly points: PersonPoints; readonly note: string } | null;
  /** What the two before gave in all, where they differ too much and this reader decides. */
  readonly differ: readonly [number, number] | null;
  /** It can be marked, or its mark changed. */
  readonly open: boolean;
}

/** Where an answer stands in the order of a question: told from nothing of its student's, the same each time. */
const shuffled = ({ attempt_id: id, item }: AnswerRow): string =>
  createHash('sha256').update(`${id} ${item}`).digest('hex');

/**
 * The answer to a question that a reader marks next.
 * @param after the answer they come from, to be left for later
 * @returns null when there is none for them
 * @throws Refusal `not-yours`
 */
export function nextToMark(
  db: Db,
  by: User,
  {
    testId,
    ref,
    after = null,
  }: { readonly testId: number; readonly ref: string; readonly after?: string | null },
): string | null {
  const marks = marksBy(db, testId);
  const rule = markingRule(db, testId);
  const waiting = answersReached(db, by, { testId, ref })
    .filter((answer) => isFor(by, marks.get(keyOf(answer)) ?? [], rule))
    .map((answer) => ({ id: answer.attempt_id, at: shuffled(answer) }))
    .sort((a, b) => a.at.localeCompare(b.at));
  const from = after === null ? '' : shuffled({ attempt_id: after, item: ref, test_id: testId, title: '' });
  return (waiting.find(({ at }) => at > from) ?? waiting[0])?.id ?? null;
}

/** An answer that a person marks. @throws Refusal `not-yours`, `not-found`, also for what a machine marks alone */
export function answerToMark(db: Db, by: User, attemptId: string, ref: string): AnswerToMark {
  const attempt = toBeMarked(db, by, attemptId, ref);
  const sitting = sittingOf(db, attempt, attempt.handed_in_at ?? 0);
  const place = sitting.plan.placeOf(ref);
  const question = sitting.state.questions.get(ref);
  if (!place || !question) throw new Refusal('not-found', 404);
  const { item } = place;
  const { test, id: testId } = { ...sitting.plan.content, id: attempt.test_id };
  const session = {
    tries: question.attempts,
    outcomes: question.score?.outcomes ?? {},
    templateDefaults: question.templateDefaults,
  };
  const marks = marksBy(db, testId).get(keyOf({ attempt_id: attemptId, item: ref })) ?? [];
  const own = marks.find(({ reader_id: reader }) => reader === by.id) ?? null;
  const rule = markingRule(db, testId);
  const [first, second] = marks;
  const third = first && second && own !== first && own !== second;
  const { stimuli } = deliveredOf(db, attempt, sitting);
  const machine = question.score?.outcomes.SCORE;
  return {
    attemptId,
    testId,
    ref,
    test: test.title,
    title: item.title,
    item: deliverItem(item, ref, attempt.seed, { language: test.language, session }),
    stimuli: Object.fromEntries(Object.entries(stimuli).filter(([name]) => item.stimuli.includes(name))),
    responses: Object.fromEntries(question.responses),
    rubrics: deliverScorerRubrics(item, ref, attempt.seed, session),
    traits: traitsOf(item),
    machine: scoredBy(item) === 'both' ? numberOf(machine ?? null) : null,
    own: own && { points: pointsIn(own), note: own.note },
    differ: third ? [totalOf(pointsIn(first)), totalOf(pointsIn(second))] : null,
    open: !isReleased(db, attempt) && (own !== null || isFor(by, marks, rule)),
  };
}

/** An attempt that is over, of which a person marks that question. */
function toBeMarked(db: Db, by: User, attemptId: string, ref: string): AttemptRow {
  const attempt = attemptReached(db, by, 'mark', attemptId);
  const row = prepared<[string, string], { item: string }>(
    db,
    `SELECT r.item FROM item_results r WHERE r.attempt_id = ? AND r.item = ? AND ${A_PERSON_MARKS}`,
  ).get(attemptId, ref);
  if (!row || attempt.phase !== 'handed-in') throw new Refusal('not-found', 404);
  return attempt;
}

/** Once results that were held have been released, what they say stays. */
const isReleased = (db: Db, attempt: AttemptRow): boolean =>
  prepared<[number], { at: number | null }>(db, 'SELECT released_at AS at FROM assignments WHERE id = ?').get(
    attempt.assignment_id,
  )?.at !== null;

/**
 * Keeps what a reader gives for an answer, beside everything given before; what comes of it counts at once.
 * @throws Refusal `not-yours`, `not-found`; `bad-input` for points the item does not ask for or that are out of bounds; `marked` where
 * others have marked it meanwhile; `released` once its results are
 */
export function mark(
  db: Db,
  by: User,
  given: {
    readonly attemptId: string;
    readonly ref: string;
    readonly points: PersonPoints;
    readonly note: string;
  },
  now: number,
): void {
  const { attemptId, ref, points, note } = given;
  db.transaction(() => {
    const attempt = toBeMarked(db, by, attemptId, ref);
    const item = planOf(db, attempt).placeOf(ref)?.item;
    if (!item || !areFit(item, points)) throw new Refusal('bad-input', 400);
    if (isReleased(db, attempt)) throw new Refusal('released', 409);
    const key = keyOf({ attempt_id: attemptId, item: ref });
    const rule = markingRule(db, attempt.test_id);
    const before = marksBy(db, attempt.test_id).get(key) ?? [];
    const own = before.some(({ reader_id: reader }) => reader === by.id);
    if (!own && !isFor(by, before, rule)) throw new Refusal('marked', 409);
    prepared(
      db,
      `INSERT INTO marks (attempt_id, item, reader_id, points, note, first_at, changed_at) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON CONFLICT (attempt_id, item, reader_id) DO UPDATE SET points = excluded.points, note = excluded.note,
         changed_at = excluded.changed_at`,
    ).run(attemptId, ref, by.id, JSON.stringify(points), note, now, now);
    prepared(db, 'INSERT INTO mark_log (attempt_id, item, reader_id, points, at) VALUES (?, ?, ?, ?, ?)').run(
      attemptId,
      ref,
      by.id,
      JSON.stringify(points),
      now,
    );
    settleAnswer(db, attempt, ref, rule);
  }).immediate();
}

/** Works out what comes of the marks of an answer, and scores its attempt by it. */
function settleAnswer(db: Db, attempt: AttemptRow, ref: string, rule: MarkingRule): void {
  const marks = marksBy(db, attempt.test_id).get(keyOf({ attempt_id: attempt.id, item: ref })) ?? [];
  const settled = settle(marks.map(pointsIn), rule);
  if (settled.state === 'settled')
    prepared(
      db,
      `INSERT INTO settled_marks (attempt_id, item, points) VALUES (?, ?, ?)
       ON CONFLICT (attempt_id, item) DO UPDATE SET points = excluded.points`,
    ).run(attempt.id, ref, JSON.stringify(settled.points));
  else prepared(db, 'DELETE FROM settled_marks WHERE attempt_id = ? AND item = ?').run(attempt.id, ref);
  forgetAssets(db, attempt.id);
  scoreAgain(db, attempt);
}

/**
 * Settles how the answers to a test are marked from now on; what is marked by now is looked at again by it.
 * @throws Refusal `not-yours`, `not-found`
 */
export function setMarkingRule(db: Db, by: User, testId: number, rule: MarkingRule): void {
  reachFor(by, 'see-results');
  db.transaction(() => {
    const answers = answersReached(db, by).filter((answer) => answer.test_id === testId);
    if (answers.length === 0) throw new Refusal('not-found', 404);
    prepared(
      db,
      `INSERT INTO marking_rules (test_id, readers, differ_by) VALUES (?, ?, ?)
       ON CONFLICT (test_id) DO UPDATE SET readers = excluded.readers, differ_by = excluded.differ_by`,
    ).run(testId, rule.readers, rule.differBy);
    const marked = marksBy(db, testId);
    for (const { attempt_id: id, item } of answers)
      if (marked.has(keyOf({ attempt_id: id, item }))) settleAnswer(db, anyAttempt(db, id), item, rule);
  }).immediate();
}
