import * as v from '../content/value';
import type { Value } from '../content/value';
import type { Scope } from './context';
import * as n from './numbers';
import type { Expression } from '../item/program';

/** What an expression does with the values of its children. Never throws; what cannot be computed is NULL. */
export type Operator = (args: readonly Value[], expression: Expression, scope: Scope) => Value;

export const truth = (value: Value | undefined): boolean | null =>
  value !== undefined && value !== null && value.cardinality === 'single' && typeof value.value === 'boolean'
    ? value.value
    : null;
export const text = (value: Value | undefined): string | null =>
  value !== undefined && value !== null && value.cardinality === 'single' && !v.isNull(value)
    ? v.formatScalar(value.value)
    : null;
export const answer = (value: boolean | null): Value => (value === null ? null : v.boolean(value));

/** An attribute that is a number or the name of a variable holding one. */
export function numberOrVariable(source: string | undefined, scope: Scope): number | null {
  if (source === undefined) return null;
  const number = Number(source);
  return source.trim() !== '' && Number.isFinite(number)
    ? number
    : n.numberOf(scope.variables.get(source)?.value);
}

/** An attribute of type `xs:boolean`: its two ways of writing each. */
export const isTrue = (text: string | undefined): boolean => /^\s*(?:true|1)\s*$/.test(text ?? '');
export const isFalse = (text: string | undefined): boolean => /^\s*(?:false|0)\s*$/.test(text ?? '');
