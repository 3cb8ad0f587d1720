import type { QuestionFigures, TestFigures } from '@/core/wire/results';
import { responseTexts, type RawResponse } from '@/core/content/response';
import { interactionsOf } from '@/core/content/content';
import { formatScalar } from '@/core/content/value';
import { wordsOf } from '@/core/interactions/said';
import type { Item } from '@/core/item/item';
import {
  FEW,
  optionCurves,
  statisticsOf,
  type ItemColumn,
  type ItemStatistics,
} from '@/core/statistics/items';
import { median } from '@/core/statistics/numbers';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { anyAttempt } from '../delivery/attempts';
import { scoredSitting } from '../delivery/keys';
import { questionRows, questionsIn, type Asked, type QuestionRow } from './testResults';

interface Counted extends Asked {
  /** False of one on trial. */
  readonly counts: boolean;
}

/** The questions that were asked in any of the attempts, with whether they count. */
function countedIn(db: Db, rows: readonly QuestionRow[]): Counted[] {
  const counted = new Map<string, ReadonlySet<string>>();
  return questionsIn(db, rows).map((one) => {
    const attempt = anyAttempt(db, one.attemptId);
    const own = counted.get(attempt.id) ?? scoredSitting(db, attempt, attempt.handed_in_at ?? 0).counted();
    counted.set(attempt.id, own);
    return { ...one, counts: own.has(one.ref) };
  });
}

/** The one choice a question asks for, by whose options it can be told what was chosen; null of any other question. */
function choiceIn(item: Item): {
  readonly response: string;
  readonly key: string | null;
  readonly words: (option: string) => string;
} | null {
  const [only, second] = item.responses;
  const [model, other] = interactionsOf(item.body);
  if (!only || second || !model || other || only.cardinality !== 'single' || only.baseType !== 'identifier')
    return null;
  if (model.type !== 'choice' && model.type !== 'inline-choice') return null;
  const correct = only.correctResponse;
  const key = correct?.cardinality === 'single' ? formatScalar(correct.value) : null;
  return { response: only.identifier, key, words: (option) => wordsOf(model.choices, option) ?? option };
}

/**
 * What was chosen, by question and attempt, where a question asks for one of several.
 * @param choices the response that each of these questions is answered in
 */
function chosenIn(
  db: Db,
  testId: number,
  choices: ReadonlyMap<string, string>,
): ReadonlyMap<string, ReadonlyMap<string, string>> {
  const chosen = new Map([...choices.keys()].map((ref) => [ref, new Map<string, string>()]));
  const rows = prepared<[number], [attempt: string, item: string, response: string, value: string]>(
    db,
    `SELECT s.attempt_id, s.item, s.response, s.value FROM responses s JOIN attempts p ON p.id = s.attempt_id
     WHERE p.test_id = ? AND p.phase = 'handed-in'`,
  ).raw();
  for (const [attempt, item, response, value] of rows.iterate(testId)) {
    if (choices.get(item) !== response) continue;
    const [text, more] = responseTexts(JSON.parse(value) as RawResponse);
    if (text !== undefined && more === undefined) chosen.get(item)?.set(attempt, text);
  }
  return chosen;
}

/**
 * Figures of a test and its questions over everyone who has handed it in whom somebody reaches (adults.md, "What the numbers mean"). Each
 * student counts with the first attempt. A question that not everybody was given, or whose answers are not all marked, is worked out over those who have it marked.
 * @throws Refusal `not-yours`
 */
export function figuresOf(db: Db, by: User, testId: number): TestFigures {
  const rows = questionRows(db, by, testId).filter(({ first }) => first);
  const asked = countedIn(db, rows);
  const attempts = [...new Set(rows.map(({ attemptId }) => attemptId))].sort();
  const place = new Map(attempts.map((id, i) => [id, i]));
  const byRef = new Map(asked.map(({ ref }) => [ref, new Map<number, QuestionRow>()]));
  for (const row of rows) byRef.get(row.ref)?.set(place.get(row.attemptId) ?? -1, row);
  const choices = new Map(asked.map(({ ref, item }) => [ref, choiceIn(item)]));
  const chosen = chosenIn(
    db,
    testId,
    new Map([...choices].flatMap(([ref, choice]) => (choice ? [[ref, choice.response]] : []))),
  );
  const rowsOf = (ref: string) => byRef.get(ref) ?? new Map<number, QuestionRow>();
  const isMarkedFor = (ref: string, i: number) => rowsOf(ref).get(i)?.marked === true;
  const column = ({ ref, counts }: Counted, who: readonly number[]): ItemColumn => {
    const own = rowsOf(ref);
    const options = chosen.get(ref);
    return {
      item: ref,
      counts,
      cells: who.map((i) => {
        const row = own.get(i);
        if (!row || row.progress === 'empty') return null;
        return options?.get(row.attemptId) ?? String(row.score ?? 0);
      }),
      scores: who.map((i) => own.get(i)?.score ?? 0),
      maximum: who.reduce((most, i) => Math.max(most, own.get(i)?.maximum ?? own.get(i)?.score ?? 0), 0),
      key: choices.get(ref)?.key ?? null,
    };
  };
  const everyone = attempts.map((_, i) => i);
  const whole = asked.filter(({ ref }) => everyone.every((i) => isMarkedFor(ref, i)));
  const columns = whole.map((one) => column(one, everyone));
  const statistics = statisticsOf(columns, everyone.length);
  /** Of a question that not everybody has: those who have it, with the questions they all have. */
  const apart = (one: Counted) => {
    const who = everyone.filter((i) => isMarkedFor(one.ref, i));
    const beside = asked.filter(({ ref }) => ref !== one.ref && who.every((i) => isMarkedFor(ref, i)));
    const columns = asked
      .filter((other) => other === one || beside.includes(other))
      .map((other) => column(other, who));
    return { columns, ...statisticsOf(columns, who.length) };
  };
  const together = { ...statistics, columns };
  const questions = asked.map((one): QuestionFigures => {
    const { items, columns: beside, n } = whole.includes(one) ? together : apart(one);
    const found = Object.hasOwn(items, one.ref) ? items[one.ref] : undefined;
    const { options = {}, ...figures } = found ?? NOTHING;
    const choice = choices.get(one.ref) ?? null;
    const all = [...rowsOf(one.ref).values()];
    const without = statistics.test.alphaWithout;
    const own = beside.find(({ item }) => item === one.ref);
    const curves = own && choice ? optionCurves(own, beside, n) : {};
    return {
      ...figures,
      ref: one.ref,
      title: one.item.title,
      counts: one.counts,
      toMark: all.filter(({ marked }) => !marked).length,
      medianMs: median(all.flatMap(({ usedMs }) => usedMs ?? [])),
      alphaWithout: Object.hasOwn(without, one.ref) ? (without[one.ref] ?? null) : null,
      options: choice
        ? Object.entries(options).map(([option, of]) => ({
            option,
            words: choice.words(option),
            right: option === choice.key,
            curve: Object.hasOwn(curves, option) ? (curves[option] ?? []) : [],
            ...of,
          }))
        : [],
    };
  });
  const counted = columns.filter(({ counts }) => counts);
  return {
    n: everyone.length,
    few: everyone.length < FEW,
    questions,
    test: statistics.test,
    totals: everyone.map((i) => counted.reduce((sum, { scores }) => sum + (scores[i] ?? 0), 0)),
  };
}

const NOTHING: ItemStatistics = {
  n: 0,
  difficulty: null,
  discrimination: null,
  upperLower: null,
  omitted: 0,
  notReached: 0,
};
