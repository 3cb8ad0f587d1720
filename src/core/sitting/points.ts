import * as v from '../content/value';
import { numberOf } from '../processing/numbers';
import { scoreTest, type QuestionOutcome } from '../processing/scoreTest';
import type { Test } from '../item/test';

/** What an attempt is worth, as every screen and file says it. */
export interface Points {
  readonly score: number;
  /** Points that could be had in what is marked. */
  readonly maximum: number;
  /** Points that are still to be marked by a person. */
  readonly later: number;
  /** The test counts its questions by a rule of its own (weights, some on trial): the points of the questions don't add up to it. */
  readonly ownRule: boolean;
}

/** Points as they were kept, from JSON; looked at by hand, because a list has many thousands. @throws TypeError, SyntaxError */
export function readPoints(text: string): Points {
  const { score, maximum, later, ownRule } = JSON.parse(text) as Readonly<Record<keyof Points, unknown>>;
  if (
    typeof score !== 'number' ||
    typeof maximum !== 'number' ||
    typeof later !== 'number' ||
    typeof ownRule !== 'boolean'
  )
    throw new TypeError('points were kept in another form');
  return { score, maximum, later, ownRule };
}

const numberIn = (outcomes: QuestionOutcome['outcomes'], name: string): number | null =>
  numberOf(outcomes[name] ?? null);

/** A question with another score, its highest possible one with it. */
const scored = (one: QuestionOutcome, score: number, maximum: number): QuestionOutcome => ({
  ...one,
  outcomes: { ...one.outcomes, SCORE: v.float(score), MAXSCORE: v.float(maximum) },
});
const unmarked = (one: QuestionOutcome): QuestionOutcome => scored(one, 0, 0);
/** As if everything in it were right; one whose maximum nobody knows stays as it is. */
const flawless = (one: QuestionOutcome): QuestionOutcome => {
  const maximum = numberIn(one.outcomes, 'MAXSCORE');
  return maximum === null ? one : scored(one, maximum, maximum);
};
const sum = (questions: readonly QuestionOutcome[], name: string): number =>
  questions.reduce((total, { outcomes }) => total + (numberIn(outcomes, name) ?? 0), 0);

/**
 * The points of an attempt. Where the test scores itself (QTI 3.0, "outcome processing", its `SCORE` and `MAXSCORE`), its own
 * numbers are taken; what a question not yet marked adds to a flawless paper is apart. Else the points of the questions are added.
 * @param isMarked whether nobody has to mark the question any more
 */
export function pointsOf(
  test: Test,
  questions: readonly QuestionOutcome[],
  isMarked: (question: QuestionOutcome) => boolean,
  durations: ReadonlyMap<string, number> = new Map(),
): Points {
  const marked = questions.filter(isMarked);
  const plain = { score: sum(marked, 'SCORE'), maximum: sum(marked, 'MAXSCORE') };
  const later = sum(questions, 'MAXSCORE') - plain.maximum;
  const ofTest = (places: readonly QuestionOutcome[], name: string): number | null =>
    test.outcomeProcessing.length === 0 ? null : numberIn(scoreTest(test, places, { durations }), name);
  const now = questions.map((one) => (isMarked(one) ? one : unmarked(one)));
  const score = ofTest(now, 'SCORE');
  const best = ofTest(questions.map(flawless), 'SCORE');
  const bestNow = ofTest(now.map(flawless), 'SCORE');
  if (score === null || best === null || bestNow === null) return { ...plain, later, ownRule: false };
  const ownLater = best - bestNow;
  const maximum = (ofTest(questions, 'MAXSCORE') ?? best) - ownLater;
  const same = (a: number, b: number) => Math.abs(a - b) < 1e-9;
  return {
    score,
    maximum,
    later: ownLater,
    ownRule: !same(score, plain.score) || !same(maximum, plain.maximum) || !same(ownLater, later),
  };
}

/** Everything in it right, and answered so: for rules that look at answers and not at points. */
const right = (one: QuestionOutcome): QuestionOutcome => ({
  ...flawless(one),
  responses: one.correct,
  presented: true,
});
const wrong = (one: QuestionOutcome): QuestionOutcome => ({ ...unmarked(one), responses: new Map() });

/**
 * The questions that count in what a test is worth: those without which a flawless paper would be worth less. The others are on trial
 * (work.md, F7). Where the test has no rule of its own, or one that no single question changes, all count.
 */
export function countedIn(test: Test, questions: readonly QuestionOutcome[]): ReadonlySet<string> {
  const all = new Set(questions.map(({ ref }) => ref));
  if (test.outcomeProcessing.length === 0) return all;
  const worth = (paper: readonly QuestionOutcome[]) => numberIn(scoreTest(test, paper), 'SCORE');
  const paper = questions.map(right);
  const whole = worth(paper);
  const counted = questions.filter(({ ref }) => {
    const less = worth(paper.map((one) => (one.ref === ref ? wrong(one) : one)));
    return whole !== null && less !== whole;
  });
  return counted.length === 0 ? all : new Set(counted.map(({ ref }) => ref));
}
