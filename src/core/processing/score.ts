import { progressOfItem } from '../item/progress';
import { readResponse, type RawResponse } from '../item/response';
import { interactionsOf } from '../item/content';
import type { Item } from '../item/item';
import * as v from '../item/value';
import type { Value } from '../item/value';
import type { ProgressState } from '../interactions/types';
import type { Scope, Variable } from './context';
import { mappingMaximum } from './mapping';
import { numberOf } from './numbers';
import type { Expression, Rule } from './program';
import { runRules } from './run';

export type RawResponses = Readonly<Record<string, RawResponse>>;

export interface ItemScore {
  readonly outcomes: Readonly<Record<string, Value>>;
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

/** An outcome with no default of its own starts at 0 when it is a single number, else at NULL (QTI 3.0, "outcome-declaration"). */
const initialOutcome = (variable: {
  cardinality: v.Cardinality;
  baseType: v.BaseType | null;
  defaultValue: Value;
}): Value => {
  if (variable.defaultValue !== null) return variable.defaultValue;
  if (variable.cardinality !== 'single') return null;
  if (variable.baseType === 'integer') return v.integer(0);
  return variable.baseType === 'float' ? v.float(0) : null;
};

/** The variables of an item with the given responses, ready for processing. */
export function variablesOf(item: Item, responses: ReadonlyMap<string, Value>): Map<string, Variable> {
  const bare = { correctResponse: null, mapping: null, areaMapping: null, lookupTable: null };
  const variables = new Map<string, Variable>();
  for (const declared of item.responses) {
    const { identifier, cardinality, baseType, defaultValue, correctResponse, mapping, areaMapping } =
      declared;
    const value = responses.get(identifier) ?? null;
    variables.set(identifier, {
      ...bare,
      kind: 'response',
      cardinality,
      baseType,
      value,
      defaultValue,
      correctResponse,
      mapping,
      areaMapping,
    });
  }
  for (const declared of item.outcomes) {
    const { identifier, cardinality, baseType, defaultValue, lookupTable } = declared;
    variables.set(identifier, {
      ...bare,
      kind: 'outcome',
      cardinality,
      baseType,
      value: initialOutcome(declared),
      defaultValue,
      lookupTable,
    });
  }
  if (!variables.has('completionStatus')) {
    const value = v.single('identifier', 'unknown');
    variables.set('completionStatus', {
      ...bare,
      kind: 'outcome',
      cardinality: 'single',
      baseType: 'identifier',
      value,
      defaultValue: null,
    });
  }
  for (const declared of item.templates) {
    const { identifier, cardinality, baseType, defaultValue } = declared;
    variables.set(identifier, {
      ...bare,
      kind: 'template',
      cardinality,
      baseType,
      value: defaultValue,
      defaultValue,
    });
  }
  return variables;
}

const fixedRandom = () => 0.5;

function run(item: Item, responses: ReadonlyMap<string, Value>, random: () => number): Map<string, Variable> {
  const variables = variablesOf(item, responses);
  const scope: Scope = { variables, random };
  runRules(item.templateProcessing, scope);
  runRules(scoringRules(item), scope);
  return variables;
}

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
export function maximumScore(item: Item): number | null {
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
    const counts = interaction?.counts as { maximum?: number } | undefined;
    return mappingMaximum(mapping, response.cardinality === 'single', counts?.maximum ?? 0);
  }
  if (processing === null) return null;
  const correct = new Map(item.responses.map((one) => [one.identifier, one.correctResponse]));
  return numberOf(run(item, correct, fixedRandom).get('SCORE')?.value);
}

/**
 * Scores one response to an item. Never throws for anything a student can send.
 * @param random in [0,1), for `random` expressions; seeded by the caller so that a score can be replayed
 */
export function scoreItem(
  item: Item,
  responses: RawResponses,
  random: () => number = fixedRandom,
): ItemScore {
  const values = new Map(
    item.responses.map((declared) => [
      declared.identifier,
      readResponse(responses[declared.identifier] ?? null, declared).value,
    ]),
  );
  const variables = run(item, values, random);
  const outcomes: Record<string, Value> = {};
  for (const { identifier } of item.outcomes) outcomes[identifier] = variables.get(identifier)?.value ?? null;
  if (outcomes.MAXSCORE === undefined || outcomes.MAXSCORE === null || numberOf(outcomes.MAXSCORE) === 0) {
    const maximum = maximumScore(item);
    if (maximum !== null) outcomes.MAXSCORE = v.float(maximum);
  }
  if (item.adaptive) outcomes.completionStatus = variables.get('completionStatus')?.value ?? null;
  return { outcomes, progress: progressOfItem(item, responses).state, scoredBy: scoredBy(item) };
}
