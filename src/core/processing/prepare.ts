import type { OutcomeDeclaration } from '../content/declarations';
import type { Item } from '../item/item';
import { seededRandom } from '../content/random';
import * as v from '../content/value';
import type { Value } from '../content/value';
import type { Scope, Variable } from './context';
import { coerce, runRules } from './run';

/** Tries at values that keep a template constraint (QTI 3.0, "template constraint": at least 100). */
const TRIES = 100;

const BARE = { correctResponse: null, mapping: null, areaMapping: null, lookupTable: null };

/** An outcome with no default of its own starts at 0 when it is a single number, else at NULL (QTI 3.0, "outcome-declaration"). */
function initialOutcome({ cardinality, baseType, defaultValue }: OutcomeDeclaration): Value {
  if (defaultValue !== null) return defaultValue;
  if (cardinality !== 'single') return null;
  if (baseType === 'integer') return v.integer(0);
  return baseType === 'float' ? v.float(0) : null;
}

/** An outcome of an item or a test before anything has happened. */
export function outcomeVariable(declared: OutcomeDeclaration): Variable {
  const { cardinality, baseType, defaultValue, lookupTable } = declared;
  const value = initialOutcome(declared);
  return { ...BARE, kind: 'outcome', cardinality, baseType, value, defaultValue, lookupTable };
}

/** Time on a question, in seconds (QTI 3.0, built-in response variable `duration`). */
export const durationVariable = (seconds: number): Variable => ({
  ...BARE,
  kind: 'response',
  cardinality: 'single',
  baseType: 'float',
  value: v.float(seconds),
  defaultValue: null,
});

/** The variables of an item before anything has happened. */
function variablesOf(item: Item): Map<string, Variable> {
  const variables = new Map<string, Variable>();
  for (const declared of item.responses) {
    const { identifier, cardinality, baseType, defaultValue, correctResponse, mapping, areaMapping } =
      declared;
    variables.set(identifier, {
      ...BARE,
      kind: 'response',
      cardinality,
      baseType,
      value: null,
      defaultValue,
      correctResponse,
      mapping,
      areaMapping,
    });
  }
  for (const declared of item.outcomes) variables.set(declared.identifier, outcomeVariable(declared));
  if (!variables.has('completionStatus')) {
    const value = v.single('identifier', 'unknown');
    const type = { cardinality: 'single', baseType: 'identifier' } as const;
    variables.set('completionStatus', { ...BARE, ...type, kind: 'outcome', value, defaultValue: null });
  }
  for (const [kind, declarations] of [
    ['template', item.templates],
    ['context', item.contexts],
  ] as const) {
    for (const { identifier, cardinality, baseType, defaultValue } of declarations)
      variables.set(identifier, { ...BARE, kind, cardinality, baseType, value: defaultValue, defaultValue });
  }
  const numAttempts = { cardinality: 'single', baseType: 'integer' } as const;
  variables.set('numAttempts', {
    ...BARE,
    ...numAttempts,
    kind: 'response',
    value: v.integer(0),
    defaultValue: null,
  });
  return variables;
}

/**
 * The variables of an item as one attempt gets them: declared, then set by template processing. The same seed gives the
 * same values, so that a question can be scored, shown again and replayed. Values that break a constraint are drawn again,
 * a hundred times; then the template defaults stand, as the standard says.
 * @param templateDefaults what the test sets template variables to (`qti-template-default`)
 */
export function prepareItem(
  item: Item,
  seed: string,
  templateDefaults: Readonly<Record<string, Value>> = {},
): Map<string, Variable> {
  const fresh = (): Map<string, Variable> => {
    const variables = variablesOf(item);
    for (const [name, value] of Object.entries(templateDefaults)) {
      const variable = variables.get(name);
      if (variable?.kind !== 'template') continue;
      variable.value = variable.defaultValue = coerce(value, variable);
    }
    return variables;
  };
  if (item.templateProcessing.length === 0) return fresh();
  const random = seededRandom(`${seed}/template`);
  for (let i = 0; i < TRIES; i += 1) {
    const scope: Scope = { variables: fresh(), random };
    if (runRules(item.templateProcessing, scope)) return scope.variables;
  }
  return fresh();
}
