import type { AssignmentOptions } from '@/core/item/options';
import { neededScoreOf } from '@/core/item/test';
import { itemSeed, deliverItem, triesOf } from '@/core/deliver/deliver';
import { rawOf, type RawResponse } from '@/core/content/response';
import type { ProgressState } from '@/core/interactions/types';
import { isNull, valuesEqual, type JsonValue, type Value } from '@/core/content/value';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import { prepareItem } from '@/core/processing/prepare';
import { correctOf, type ItemScore } from '@/core/processing/score';
import { feedbackAtEnd, type ShownFeedback } from '@/core/sitting/feedback';
import type { Plan } from '@/core/sitting/plan';
import { readPoints, type Points } from '@/core/sitting/points';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { optionsOf } from '../delivery/assignments';
import { attemptOf, attemptReached, type AttemptRow } from '../delivery/attempts';
import { Refusal } from '../refusal';
import { deliveredOf } from '../delivery/content';
import { isMarked, markedSitting } from '../delivery/scores';
import { planOf, sessionsIn } from '../delivery/sittings';
import type { User } from '../accounts/users';

/** What a person reads is not marked yet; in practice nobody marks it ever. */
export type Verdict = 'right' | 'partly' | 'wrong' | 'not-answered' | 'not-marked' | 'never-marked';
export interface QuestionResult {
  readonly ref: string;
  readonly number: number;
  readonly verdict: Verdict;
  readonly score: number | null;
  readonly maximum: number | null;
}
export interface AttemptResult {
  readonly title: string;
  readonly handedInAt: number;
  readonly questions: readonly QuestionResult[];
  readonly points: Points;
  /** Questions that a person would mark and nobody has. */
  readonly notMarked: number;
  /** Of each part, where there is more than one. */
  readonly parts: readonly PartResult[];
  /** What the test says at its end. */
  readonly feedback: readonly ShownFeedback[];
}
/** What the questions of a part are worth; the title is empty where it has none. */
export interface PartResult {
  readonly title: string;
  readonly score: number;
  readonly maximum: number;
  readonly later: number;
}
/** What a student is told of an attempt. */
export interface ToldResult extends Omit<AttemptResult, 'points'> {
  readonly tells: AssignmentOptions['tells'];
  /** It was for practice. */
  readonly practice: boolean;
  /** Null where nothing but thanks is told. */
  readonly points: Points | null;
  /** Points that are needed; null where nothing is said, or nothing told. */
  readonly needed: number | null;
}

const numberIn = (outcomes: Record<string, JsonValue>, name: string): number | null =>
  typeof outcomes[name] === 'number' ? outcomes[name] : null;

function verdictOf(
  score: number | null,
  maximum: number | null,
  progress: ProgressState,
  marked: boolean,
  practice: boolean,
): Verdict {
  if (progress === 'empty') return 'not-answered';
  if (!marked) return practice ? 'never-marked' : 'not-marked';
  if (score === null || score <= 0) return 'wrong';
  return maximum !== null && score < maximum ? 'partly' : 'right';
}

/** Whether a person would have given points for it, and nobody has. */
const isUnmarked = ({ verdict }: QuestionResult): boolean =>
  verdict === 'not-marked' || verdict === 'never-marked';

interface ItemRow {
  readonly item: string;
  readonly outcomes: string;
  readonly progress: ProgressState;
  readonly scored_by: ItemScore['scoredBy'];
  readonly marked: number;
}

const hasFeedback = ({ content }: Plan): boolean => content.test.feedback.length > 0;

/** What an attempt that is handed in is worth, question by question; null of any other. */
export function resultOf(db: Db, attempt: AttemptRow): AttemptResult | null {
  if (attempt.phase !== 'handed-in' || attempt.handed_in_at === null) return null;
  const plan = planOf(db, attempt);
  const { title } = plan.content.test;
  const rows = prepared<[string], ItemRow>(
    db,
    'SELECT item, outcomes, progress, scored_by, marked FROM item_results WHERE attempt_id = ?',
  ).all(attempt.id);
  const { practice } = optionsOf(db, attempt.assignment_id);
  const byItem = new Map(rows.map((row) => [row.item, row]));
  // What the rules left out has no result, and no number.
  const taken = plan.places.filter(({ ref }) => byItem.has(ref));
  const questions = taken.flatMap(({ ref }, i): QuestionResult[] => {
    const row = byItem.get(ref);
    if (!row) return [];
    const outcomes = JSON.parse(row.outcomes) as Record<string, JsonValue>;
    const [score, maximum] = [numberIn(outcomes, 'SCORE'), numberIn(outcomes, 'MAXSCORE')];
    return [
      {
        ref,
        number: i + 1,
        verdict: verdictOf(
          score,
          maximum,
          row.progress,
          row.marked === 1 || isMarked(row.scored_by, row.progress),
          practice,
        ),
        score,
        maximum,
      },
    ];
  });
  const whole = prepared<[string], { points: string | null }>(
    db,
    'SELECT points FROM test_results WHERE attempt_id = ?',
  ).get(attempt.id);
  const handedInAt = attempt.handed_in_at;
  /** Of an attempt handed in before its points were kept. */
  const pointsNow = (): Points => {
    const later = questions.filter(isUnmarked);
    const toMark = new Set(later.map(({ ref }) => ref));
    return markedSitting(db, attempt, handedInAt).points(({ ref }) => !toMark.has(ref));
  };
  return {
    title,
    handedInAt,
    questions,
    points: whole?.points ? readPoints(whole.points) : pointsNow(),
    notMarked: questions.filter(isUnmarked).length,
    parts: partsOf(plan, questions),
    feedback: hasFeedback(plan) ? feedbackAtEnd(markedSitting(db, attempt, handedInAt)) : [],
  };
}

/** What the questions of each part are worth, where there is more than one part. */
function partsOf(plan: Plan, questions: readonly QuestionResult[]): PartResult[] {
  if (plan.parts.length < 2) return [];
  return plan.parts.flatMap(({ part }, i): PartResult[] => {
    const own = questions.filter(({ ref }) => plan.placeOf(ref)?.part === i);
    const sum = (of: readonly QuestionResult[], worth: (one: QuestionResult) => number | null) =>
      of.reduce((total, one) => total + (worth(one) ?? 0), 0);
    const marked = own.filter((one) => !isUnmarked(one));
    const maximum = sum(marked, (one) => one.maximum);
    const later = sum(own, (one) => one.maximum) - maximum;
    // What rules passed over has nothing to tell.
    return own.length === 0
      ? []
      : [{ title: part.title, score: sum(marked, (one) => one.score), maximum, later }];
  });
}

/** Thanks alone: what the test itself says at its end would tell how it went. */
const NOTHING_TOLD = {
  points: null,
  needed: null,
  questions: [],
  parts: [],
  notMarked: 0,
  feedback: [],
} as const;

/**
 * What a student is told of an own attempt, as the assignment says; null while it is not handed in.
 * @throws Refusal `not-found`
 */
export function resultFor(db: Db, user: User, attemptId: string): ToldResult | null {
  const attempt = attemptOf(db, user, attemptId);
  const result = resultOf(db, attempt);
  if (!result) return null;
  const { tells, needed, practice } = optionsOf(db, attempt.assignment_id);
  if (tells === 'thanks')
    return { ...NOTHING_TOLD, title: result.title, handedInAt: result.handedInAt, tells, practice };
  return { ...result, tells, practice, needed: needed ?? neededScoreOf(planOf(db, attempt).content.test) };
}

export interface AnsweredQuestion extends QuestionResult {
  readonly item: DeliveredItem;
  readonly responses: Readonly<Record<string, RawResponse>>;
  /** Correct responses, where the test shows them (`show-solution`). */
  readonly solution: Readonly<Record<string, RawResponse>> | null;
  /** Whether each response that has a right answer is it; only where the right ones are shown. */
  readonly marks: Readonly<Record<string, boolean>>;
}

/** The answers of an attempt that is over. */
export interface Answers {
  readonly title: string;
  readonly questions: readonly AnsweredQuestion[];
  readonly stimuli: DeliveredTest['stimuli'];
}

/**
 * The questions of a handed-in attempt that may be looked at again (`allow-review`), with the answers given and, where the
 * test shows them, the right ones. Null while it is not handed in.
 * @throws Refusal `not-found`, also where the assignment does not tell them
 */
export function answersFor(db: Db, user: User, attemptId: string): Answers | null {
  const attempt = attemptOf(db, user, attemptId);
  if (attempt.phase === 'handed-in' && optionsOf(db, attempt.assignment_id).tells !== 'answers')
    throw new Refusal('not-found', 404);
  return answersIn(db, attempt, false);
}

/** All of them, with the right ones, for whoever may see results. @throws Refusal `not-yours`, `not-found` */
export const answersOf = (db: Db, by: User, attemptId: string): Answers | null =>
  answersIn(db, attemptReached(db, by, 'see-results', attemptId), true);

function answersIn(db: Db, attempt: AttemptRow, all: boolean): Answers | null {
  const result = resultOf(db, attempt);
  if (!result || attempt.handed_in_at === null) return null;
  const sitting = markedSitting(db, attempt, attempt.handed_in_at);
  const { plan } = sitting;
  const sessions = sessionsIn(sitting);
  const questions = result.questions.flatMap((question): AnsweredQuestion[] => {
    const place = plan.placeOf(question.ref);
    // Shown as it was answered, whatever has been corrected since.
    const asked = planOf(db, attempt).placeOf(question.ref)?.item ?? place?.item;
    if (!place || !asked || !(all || place.source.sessionControl.allowReview)) return [];
    const { ref, item, source } = place;
    const { showFeedback } = source.sessionControl;
    const showSolution = all || source.sessionControl.showSolution;
    const own = sitting.state.questions.get(ref);
    const correct = correctOf(item, prepareItem(item, itemSeed(attempt.seed, ref), own?.templateDefaults));
    const solution = Object.fromEntries(
      [...correct].map(([identifier, value]) => [identifier, rawOf(value)]),
    );
    const known = Object.values(solution).some((response) => response !== null);
    const submission = plan.submissionOf(place);
    const checked = triesOf(item, source.sessionControl, submission) !== null;
    const session = checked ? (sessions.get(ref) ?? null) : null;
    return [
      {
        ...question,
        item: deliverItem(asked, ref, attempt.seed, {
          number: question.number,
          showFeedback,
          language: plan.content.test.language,
          session: session ?? { tries: 0, outcomes: {}, templateDefaults: own?.templateDefaults },
        }),
        responses: Object.fromEntries(own?.responses ?? []),
        solution: showSolution && known ? solution : null,
        marks: showSolution ? marksOf(own?.score?.responses ?? new Map(), correct) : {},
      },
    ];
  });
  const { stimuli } = deliveredOf(db, attempt, sitting);
  const shown = new Set(questions.flatMap(({ item }) => item.stimuli));
  return {
    title: result.title,
    questions,
    stimuli: Object.fromEntries(Object.entries(stimuli).filter(([name]) => shown.has(name))),
  };
}

/** Which responses are just what the item names as right (QTI 3.0, `match_correct`). */
const marksOf = (
  given: ReadonlyMap<string, Value>,
  correct: ReadonlyMap<string, Value>,
): Readonly<Record<string, boolean>> =>
  Object.fromEntries(
    [...correct]
      .filter(([, value]) => !isNull(value))
      .map(([identifier, value]) => [identifier, valuesEqual(given.get(identifier) ?? null, value)]),
  );
