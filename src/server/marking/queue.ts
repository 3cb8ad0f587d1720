import type { AnswerToMark, QuestionToMark } from '@/core/wire/marking';
import { createHash } from 'node:crypto';
import { deliverItem, deliverScorerRubrics } from '@/core/deliver/deliver';
import { settle, totalOf, traitsOf } from '@/core/marking/marking';
import { numberOf } from '@/core/processing/numbers';
import { scoredBy } from '@/core/processing/score';
import { agreementOf } from '@/core/statistics/agreement';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { anyAttempt } from '../delivery/attempts';
import { deliveredOf } from '../delivery/content';
import { planOf, sittingOf } from '../delivery/sittings';
import { Refusal } from '../refusal';
import {
  answersReached,
  isFor,
  keyOf,
  markingRule,
  marksBy,
  pointsIn,
  toBeMarked,
  type AnswerRow,
  type MarkRow,
} from './marks';

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
    const mayChange = changeable(by);
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
        byYou: answers.filter((answer, i) => mayChange(answer, given[i] ?? [])).length,
        agreement: pairs.length > 0 ? agreementOf(pairs) : null,
      },
    ];
  });
  return questions.sort(
    (a, b) => a.test.localeCompare(b.test) || a.testId - b.testId || a.ref.localeCompare(b.ref),
  );
}

/** Where an answer stands in the order of a question: told from nothing of its student's, the same each time. */
const placeOf = ({ attempt_id: id, item }: Pick<AnswerRow, 'attempt_id' | 'item'>): string =>
  createHash('sha256').update(`${id} ${item}`).digest('hex');

/** Whether a reader has marked an answer, and may still change that. */
const changeable =
  (by: User) =>
  ({ released }: AnswerRow, marks: readonly MarkRow[]): boolean =>
    released === 0 && marks.some(({ reader_id: reader }) => reader === by.id);

/** Of which answers to a question the next is wanted. */
interface Wanted {
  readonly testId: number;
  readonly ref: string;
  /** The answer one comes from, to be left for later. */
  readonly after?: string | null;
  /** Those this reader has marked and may change, instead of those that wait for them. */
  readonly again?: boolean;
}

/**
 * The answer to a question that a reader marks next, or changes next.
 * @returns null when there is none for them
 * @throws Refusal `not-yours`
 */
export function nextToMark(
  db: Db,
  by: User,
  { testId, ref, after = null, again = false }: Wanted,
): string | null {
  const marks = marksBy(db, testId);
  const rule = markingRule(db, testId);
  const mayChange = changeable(by);
  const wanted = answersReached(db, by, { testId, ref })
    .filter((answer) => {
      const given = marks.get(keyOf(answer)) ?? [];
      return again ? mayChange(answer, given) : isFor(by, given, rule);
    })
    .map((answer) => ({ id: answer.attempt_id, at: placeOf(answer) }))
    .sort((a, b) => a.at.localeCompare(b.at));
  const from = after === null ? '' : placeOf({ attempt_id: after, item: ref });
  const next = wanted.find(({ at }) => at > from);
  // Once all of one's own have been looked at that is the end of it; those that wait come around again.
  return (next ?? (again ? undefined : wanted[0]))?.id ?? null;
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
  };
}
