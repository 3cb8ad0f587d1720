import type { Item } from '../item/item';
import type { ItemRef, Test } from '../item/test';
import { own } from '../own';
import * as v from '../content/value';
import type { Value } from '../content/value';
import type { Scope, TestScope, Variable } from './context';
import { numberOf } from './numbers';
import { outcomeVariable } from './prepare';
import { runRules } from './run';
import type { ItemScore } from './score';

/** One question of a form as it stands: what outcome processing and the rules of a test may ask about. */
export interface QuestionOutcome extends Pick<ItemScore, 'outcomes' | 'responses' | 'correct'> {
  /** What the question is called in this attempt: its reference, numbered where it was drawn more than once. */
  readonly ref: string;
  readonly source: ItemRef;
  readonly item: Item;
  /** Identifiers of the sections it stands in. */
  readonly sections: readonly string[];
  /** Whether an attempt at it, or its part, has ended after it was shown. */
  readonly presented: boolean;
  /** Seconds on it. */
  readonly duration: number;
}

/** A number times the weight of that name; a weight that is not there is 1, and weighted values are floats. */
function weighted(value: Value, { source }: QuestionOutcome, weight: string | null): Value {
  const number = numberOf(value);
  return weight === null || number === null ? value : v.float(number * (own(source.weights, weight) ?? 1));
}

/** A variable of a question by the name the test gives it (`qti-variable-mapping`). */
function variableOf(place: QuestionOutcome, name: string): Value {
  const inItem = own(place.source.variableNames, name) ?? name;
  if (inItem === 'duration') return v.float(place.duration);
  return own(place.outcomes, inItem) ?? place.responses.get(inItem) ?? null;
}

/** Whether every response with a correct response has it; null where an item names none (QTI 3.0, "number-correct"). */
function isCorrect({ responses, correct }: QuestionOutcome): boolean | null {
  const known = [...correct].filter(([, value]) => !v.isNull(value));
  if (known.length === 0) return null;
  return known.every(([identifier, value]) => v.valuesEqual(responses.get(identifier) ?? null, value));
}

function scopeOf(places: readonly QuestionOutcome[]): TestScope {
  const chosen = (select: {
    readonly section: string | null;
    readonly include: readonly string[];
    readonly exclude: readonly string[];
  }) =>
    places.filter(
      ({ sections, source }) =>
        (select.section === null || sections.includes(select.section)) &&
        (select.include.length === 0 || select.include.some((one) => source.categories.includes(one))) &&
        !select.exclude.some((one) => source.categories.includes(one)),
    );
  const counts: Readonly<Record<Parameters<TestScope['count']>[0], (place: QuestionOutcome) => boolean>> = {
    correct: (place) => isCorrect(place) === true,
    // Not answered is not correct, once it was there to be answered.
    incorrect: (place) => place.presented && isCorrect(place) === false,
    responded: ({ responses }) => [...responses.values()].some((value) => !v.isNull(value)),
    presented: ({ presented }) => presented,
    selected: () => true,
  };
  return {
    count: (what, select) => chosen(select).filter(counts[what]).length,
    collect: (select) =>
      chosen(select).flatMap((place): Value[] => {
        const { kind, variable, weight } = select;
        const inItem = own(place.source.variableNames, variable) ?? variable;
        const declared = place.item.outcomes.find(({ identifier }) => identifier === inItem);
        if (kind === 'value') return [weighted(variableOf(place, variable), place, weight)];
        if (!declared) return [];
        const bound = kind === 'maximum' ? declared.normalMaximum : declared.normalMinimum;
        return [weighted(bound === null ? null : v.float(bound), place, weight)];
      }),
    itemVariable: (ref, variable, weight) => {
      // A question drawn more than once is asked for by number; without one, the last of them speaks.
      const place =
        places.find((one) => one.ref === ref) ?? places.findLast((one) => one.source.identifier === ref);
      return place && weighted(variableOf(place, variable), place, weight);
    },
  };
}

/** What the rules of a test may look at besides its questions. */
export interface TestSituation {
  /** Outcomes as the last processing left them. */
  readonly outcomes?: Readonly<Record<string, Value>>;
  /** Seconds of the test (`duration`) and of its parts and sections (`PART.duration`). */
  readonly durations?: ReadonlyMap<string, number>;
}

/** The name under which `durations` holds the whole test's. */
export const WHOLE_TEST = '';

/** What an expression of a test is evaluated in. */
export function testScope(
  test: Test,
  places: readonly QuestionOutcome[],
  { outcomes = {}, durations = new Map() }: TestSituation = {},
): Scope {
  const variables = new Map<string, Variable>();
  for (const declared of test.outcomes) {
    const variable = outcomeVariable(declared);
    const known = own(outcomes, declared.identifier);
    variables.set(declared.identifier, known === undefined ? variable : { ...variable, value: known });
  }
  const bare = { correctResponse: null, mapping: null, areaMapping: null, lookupTable: null };
  for (const { identifier, cardinality, baseType, defaultValue } of test.contexts)
    variables.set(identifier, {
      ...bare,
      kind: 'context',
      cardinality,
      baseType,
      value: defaultValue,
      defaultValue,
    });
  for (const [name, seconds] of durations)
    variables.set(name === WHOLE_TEST ? 'duration' : `${name}.duration`, {
      ...bare,
      kind: 'context',
      cardinality: 'single',
      baseType: 'float',
      value: v.float(seconds),
      defaultValue: null,
    });
  // A test has no seed for random expressions of its own; none is drawn here.
  return { variables, random: () => 0, test: scopeOf(places) };
}

/**
 * The outcomes of a test: its outcome processing carried out, from the defaults, over the questions of one attempt
 * (QTI 3.0, "outcome processing").
 */
export function scoreTest(
  test: Test,
  places: readonly QuestionOutcome[],
  situation: Omit<TestSituation, 'outcomes'> = {},
): Readonly<Record<string, Value>> {
  const scope = testScope(test, places, situation);
  runRules(test.outcomeProcessing, scope);
  return Object.fromEntries(
    test.outcomes.map(({ identifier }) => [identifier, scope.variables.get(identifier)?.value ?? null]),
  );
}
