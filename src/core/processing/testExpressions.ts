import * as v from '../content/value';
import type { Value } from '../content/value';
import type { Scope } from './context';
import type { Expression } from '../item/program';

const words = (text: string | undefined): string[] => text?.split(/\s+/).filter(Boolean) ?? [];

const COUNTS = {
  'number-correct': 'correct',
  'number-incorrect': 'incorrect',
  'number-responded': 'responded',
  'number-presented': 'presented',
  'number-selected': 'selected',
} as const;
const isCount = (op: string): op is keyof typeof COUNTS => Object.hasOwn(COUNTS, op);

/** The expressions only a test has; `undefined` for any other. */
export function testExpression({ op, attributes }: Expression, { test }: Scope): Value | undefined {
  const select = {
    section: attributes['section-identifier'] ?? null,
    include: words(attributes['include-category']),
    exclude: words(attributes['exclude-category']),
  };
  if (isCount(op)) return test ? v.integer(test.count(COUNTS[op], select)) : null;
  if (op !== 'test-variables' && op !== 'outcome-maximum' && op !== 'outcome-minimum') return undefined;
  if (!test) return null;
  const collected = test.collect({
    ...select,
    variable: attributes['variable-identifier'] ?? attributes['outcome-identifier'] ?? '',
    weight: attributes['weight-identifier'] ?? null,
    kind: op === 'outcome-maximum' ? 'maximum' : op === 'outcome-minimum' ? 'minimum' : 'value',
  });
  if (op === 'outcome-maximum' && collected.some((value) => value === null)) return null;
  const singles = collected.filter((value) => !v.isNull(value));
  const [first] = singles;
  if (!first || first.cardinality === 'record') return null;
  return v.container('multiple', first.baseType, singles.flatMap(v.scalarsOf));
}
