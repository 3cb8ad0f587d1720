import { formatScalar, isNull, scalarsOf, type Value } from '../content/value';
import type { Expression } from '../item/program';

/** One thing that processing did, for whoever wants to see why an answer is worth what it is. */
export type Step = StepDone & {
  /** Where it stands in the item's file; 0 where it stands in none (the standard templates). */
  readonly line: number;
};
type StepDone =
  | { readonly does: 'if'; readonly expression: string; readonly holds: boolean }
  | { readonly does: 'else' }
  | { readonly does: 'set'; readonly identifier: string; readonly expression: string; readonly value: string }
  | { readonly does: 'exit' };

/** Steps that are told; a program that does more is cut. */
export const MOST_STEPS = 500;

/** A value in one line: `–` where there is none, several in brackets. */
export function valueWords(value: Value): string {
  if (isNull(value)) return '–';
  if (value.cardinality === 'record')
    return `{${Object.entries(value.fields)
      .map(([name, field]) => `${name}: ${valueWords(field)}`)
      .join(', ')}}`;
  const all = scalarsOf(value).map(formatScalar);
  return value.cardinality === 'single' ? (all[0] ?? '–') : `[${all.join(', ')}]`;
}

/** An expression in one line, as mathematics writes functions: `match(RESPONSE, correct RESPONSE)`. */
export function expressionWords({ op, attributes, args, text }: Expression): string {
  if (op === 'base-value') return text;
  if (op === 'variable') return attributes.identifier ?? '';
  const { identifier, ...others } = attributes;
  const named = Object.entries(others).map(([name, value]) => `${name}=${value}`);
  const of = [...args.map(expressionWords), ...named];
  const name = identifier === undefined ? op : `${op} ${identifier}`;
  return of.length > 0 ? `${name}(${of.join(', ')})` : name;
}
