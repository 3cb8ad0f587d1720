import { progressOfItem } from '../item/progress';
import { readResponse, type RawResponse } from '../content/response';
import { interactionsOf } from '../content/content';
import type { Item } from '../item/item';
import { own } from '../own';
import * as v from '../content/value';
import type { Value } from '../content/value';
import type { ProgressState } from '../interactions/types';
import { interactionOf } from '../interactions';
import { seededRandom } from '../content/random';
import type { Variable } from './context';
import { mappingMaximum } from './mapping';
import { numberOf } from './numbers';
import type { Expression, Rule } from '../item/program';
import { durationVariable, prepareItem } from './prepare';
import { runRules } from './run';
import type { Step } from './trace';

export type RawResponses = Readonly<Record<string, RawResponse>>;

export interface ItemScore {
  readonly outcomes: Readonly<Record<string, Value>>;
  /** What was answered, as values. */
  readonly responses: ReadonlyMap<string, Value>;
  /** Correct responses, as template processing may have set them. */
  readonly correct: ReadonlyMap<string, Value>;
  readonly progress: ProgressState;
  readonly scoredBy: 'machine' | 'person' | 'both';
}

const expression = (op: string, identifier = '', args: readonly Expression[] = []): Expression => ({
  op,
  attributes: identifier === '' ? {} : { identifier },
  args,
  text: '',
  line: 0,
});
const number = (value: string): Expression => ({
  op: 'base-value',
  attributes: { 'base-type': 'float' },
  args: [],
  text: value,
  line: 0,
});
const setScore = (value: Expression): Rule => ({
  rule: 'set-outcome-value',
  identifier: 'SCORE',
  expression: value,
});

/** The standard templates, written in the expression language (QTI 3.0, "Response processing templates"; from memory). */
const TEMPLATES = {
  match_correct: [
    {
      rule: 'condition',
      branches: [
        {
          test: expression('match', '', [
            expression('variable', 'RESPONSE'),
            expression('correct', 'RESPONSE'),
          ]),
          rules: [setScore(number('1'))],
        },
        { test: null, rules: [setScore(number('0'))] },
      ],
    },
  ],
  map_response: [
    {
      rule: 'condition',
      branches: [
        {
          test: expression('is-null', '', [expression('variable', 'RESPONSE')]),
          rules: [setScore(number('0'))],
        },
        { test: null, rules: [setScore(expression('map-response', 'RESPONSE'))] },
      ],
    },
  ],
  map_response_point: [
    {
      rule: 'condition',
      branches: [
        {
          test: expression('is-null', '', [expression('variable', 'RESPONSE')]),
          rules: [setScore(number('0'))],
        },
        { test: null, rules: [setScore(expression('map-response-point', 'RESPONSE'))] },
      ],
    },
  ],
} satisfies Record<string, readonly Rule[]>;

/** The rules that score an item by machine; none when a person does. */
export function scoringRules(item: Item): readonly Rule[] {
  const processing = item.responseProcessing;
  if (processing === null) return [];
  return processing.kind === 'template' ? TEMPLATES[processing.template] : processing.rules;
}

/** What scoring one response may depend on besides the response. */
export interface ScoringContext {
  /** Of this question in this attempt: the same seed draws the same template values and random numbers. */
  readonly seed?: string;
  /** In [0,1); what `random` expressions draw from instead of the seed's own sequence. */
  readonly random?: () => number;
  /** Which try this is, from 1 (`numAttempts`). */
  readonly tries?: number;
  /** Outcomes after the try before, for adaptive items; others start afresh. */
  readonly before?: Readonly<Record<string, Value>>;
  /** What the test sets template variables to. */
  readonly templateDefaults?: Readonly<Record<string, Value>>;
  /** Seconds on the question so far (`duration`). */
  readonly duration?: number;
  /** Is told what response processing does, step by step. */
  readonly trace?: (step: Step) => void;
}

function run(
  item: Item,
  responses: ReadonlyMap<string, Value>,
  context: ScoringContext,
): Map<string, Variable> {
  const { seed = '', random = seededRandom(`${seed}/score`), tries = 1, before = {}, duration } = context;
  const variables = prepareItem(item, seed, context.templateDefaults);
  if (duration !== undefined) variables.set('duration', durationVariable(duration));
  for (const [identifier, value] of responses) {
    const variable = variables.get(identifier);
    if (variable) variable.value = value;
  }
  for (const [identifier, value] of Object.entries(before)) {
    const variable = variables.get(identifier);
    if (variable?.kind === 'outcome') variable.value = value;
  }
  const attempts = variables.get('numAttempts');
  if (attempts) attempts.value = v.integer(tries);
  runRules(scoringRules(item), { variables, random, ...(context.trace && { trace: context.trace }) });
  return variables;
}

/** The correct response to each, NULL where an item names none. */
export const correctOf = (item: Item, variables: ReadonlyMap<string, Variable>): ReadonlyMap<string, Value> =>
  new Map(
    item.responses.map(({ identifier }) => [identifier, variables.get(identifier)?.correctResponse ?? null]),
  );

/** The responses an expression or a rule looks at. */
function usedResponses(rules: readonly Rule[]): Set<string> {
  const used = new Set<string>();
  const inExpression = (one: Expression): void => {
    if (one.attributes.identifier) used.add(one.attributes.identifier);
    one.args.forEach(inExpression);
  };
  const inRule = (rule: Rule): void => {
    if (rule.rule === 'condition') {
      for (const branch of rule.branches) {
        if (branch.test) inExpression(branch.test);
        branch.rules.forEach(inRule);
      }
    } else if (rule.rule === 'fragment') rule.rules.forEach(inRule);
    else if ('expression' in rule) inExpression(rule.expression);
  };
  rules.forEach(inRule);
  return used;
}

/** Who scores: no processing means a person; both when a person must still set an outcome or read a part. */
export function scoredBy(item: Item): ItemScore['scoredBy'] {
  if (item.responseProcessing === null) return 'person';
  if (item.outcomes.some((outcome) => outcome.externalScored === 'human')) return 'both';
  const hasRubric = item.rubrics.some((rubric) => rubric.views.includes('scorer'));
  const used = usedResponses(scoringRules(item));
  return hasRubric && item.responses.some((response) => !used.has(response.identifier)) ? 'both' : 'machine';
}

/**
 * The most an item can give: a declared MAXSCORE, else SCORE's normal-maximum, else what the template can give, else
 * what the correct response gives. Null when none of these says.
 */
export function maximumScore(item: Item, seed = ''): number | null {
  const declared = item.outcomes.find((outcome) => outcome.identifier === 'MAXSCORE');
  const known =
    numberOf(declared?.defaultValue ?? null) ??
    item.outcomes.find((one) => one.identifier === 'SCORE')?.normalMaximum;
  if (known !== null && known !== undefined) return known;
  const processing = item.responseProcessing;
  if (processing?.kind === 'template') {
    if (processing.template === 'match_correct') return 1;
    const response = item.responses.find((one) => one.identifier === 'RESPONSE');
    const mapping = processing.template === 'map_response' ? response?.mapping : response?.areaMapping;
    if (!response || !mapping) return null;
    const interaction = interactionsOf(item.body).find((one) => one.responseIdentifier === 'RESPONSE');
    const most = interaction && 'counts' in interaction ? interaction.counts.maximum : 0;
    return mappingMaximum(mapping, response.cardinality === 'single', most);
  }
  if (processing === null) return null;
  const correct = correctOf(item, prepareItem(item, seed));
  return numberOf(run(item, correct, { seed }).get('SCORE')?.value);
}

/** What an item's outcomes are before anything is answered. */
export function untouchedScore(item: Item, context: ScoringContext = {}): ItemScore {
  const variables = prepareItem(item, context.seed ?? '', context.templateDefaults);
  return scoreOf(
    item,
    variables,
    new Map(item.responses.map(({ identifier }) => [identifier, null])),
    {},
    context,
  );
}

/** Scores one response to an item. Never throws for anything a student can send. */
export function scoreItem(item: Item, responses: RawResponses, context: ScoringContext = {}): ItemScore {
  const kinds = new Map(interactionsOf(item.body).map((one) => [one.responseIdentifier, one.type]));
  const values = new Map(
    item.responses.map((declared) => {
      const given = own(responses, declared.identifier) ?? null;
      const kind = interactionOf(kinds.get(declared.identifier) ?? '');
      return [
        declared.identifier,
        readResponse(kind?.finished ? kind.finished(given) : given, declared).value,
      ];
    }),
  );
  return scoreOf(item, run(item, values, context), values, responses, context);
}

function scoreOf(
  item: Item,
  variables: ReadonlyMap<string, Variable>,
  values: ReadonlyMap<string, Value>,
  responses: RawResponses,
  context: ScoringContext,
): ItemScore {
  const outcomes: Record<string, Value> = Object.fromEntries(
    item.outcomes.map(({ identifier }) => [identifier, variables.get(identifier)?.value ?? null]),
  );
  if (outcomes.MAXSCORE === undefined || outcomes.MAXSCORE === null || numberOf(outcomes.MAXSCORE) === 0) {
    const maximum = maximumScore(item, context.seed);
    if (maximum !== null) outcomes.MAXSCORE = v.float(maximum);
  }
  if (item.adaptive) outcomes.completionStatus = variables.get('completionStatus')?.value ?? null;
  return {
    outcomes,
    responses: values,
    correct: correctOf(item, variables),
    progress: progressOfItem(item, responses).state,
    scoredBy: scoredBy(item),
  };
}
