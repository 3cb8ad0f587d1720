import { own } from '../own';
/** QTI values: what a response, outcome or template variable holds (QTI 3.0 information model, "Variables"). */

export const BASE_TYPES = [
  'identifier',
  'boolean',
  'integer',
  'float',
  'string',
  'point',
  'pair',
  'directedPair',
  'duration',
  'file',
  'uri',
] as const;
export type BaseType = (typeof BASE_TYPES)[number];

export const CARDINALITIES = ['single', 'multiple', 'ordered', 'record'] as const;
export type Cardinality = (typeof CARDINALITIES)[number];

/** Two identifiers (pair, directedPair) or two numbers (point) are kept as a tuple; the base type tells which. */
export type Scalar = string | number | boolean | readonly [string, string] | readonly [number, number];

export interface SingleValue {
  readonly cardinality: 'single';
  readonly baseType: BaseType;
  readonly value: Scalar;
}
export interface ContainerValue {
  readonly cardinality: 'multiple' | 'ordered';
  readonly baseType: BaseType;
  readonly values: readonly Scalar[];
}
export interface RecordValue {
  readonly cardinality: 'record';
  readonly fields: Readonly<Record<string, SingleValue | null>>;
}

/** NULL is `null`; an empty container and an empty string are NULL (QTI 3.0, "is-null"). */
export type Value = SingleValue | ContainerValue | RecordValue | null;

/** `match` on floats compares within this relative difference (items.md, "Response processing"). */
export const FLOAT_TOLERANCE = 1e-9;

export const single = (baseType: BaseType, value: Scalar): SingleValue => ({
  cardinality: 'single',
  baseType,
  value,
});
export const boolean = (value: boolean): SingleValue => single('boolean', value);
export const float = (value: number): SingleValue | null =>
  Number.isFinite(value) ? single('float', value) : null;
export const integer = (value: number): SingleValue | null =>
  Number.isFinite(value) ? single('integer', value) : null;

/** A container, or NULL when it would be empty. */
export function container(
  cardinality: 'multiple' | 'ordered',
  baseType: BaseType,
  values: readonly Scalar[],
): ContainerValue | null {
  return values.length === 0 ? null : { cardinality, baseType, values };
}

/** The scalars of a value: none for NULL and records, one for a single. */
export function scalarsOf(value: Value): readonly Scalar[] {
  if (value === null || value.cardinality === 'record') return [];
  return value.cardinality === 'single' ? [value.value] : value.values;
}

/** NULL in the sense of the standard: absent, an empty container, an empty string. */
export function isNull(value: Value): value is null {
  if (value === null) return true;
  if (value.cardinality === 'single') return value.value === '';
  if (value.cardinality === 'record') return Object.keys(value.fields).length === 0;
  return value.values.length === 0;
}

/** Equal as floats: within 1e-9 of the larger, or exactly. */
export function floatsEqual(a: number, b: number): boolean {
  return a === b || Math.abs(a - b) <= FLOAT_TOLERANCE * Math.max(Math.abs(a), Math.abs(b));
}

/** Whether two scalars of one base type are the same value; a pair has no direction, a directedPair has. */
export function scalarsEqual(a: Scalar, b: Scalar, baseType: BaseType): boolean {
  if (typeof a === 'number' && typeof b === 'number') {
    return baseType === 'integer' ? a === b : floatsEqual(a, b);
  }
  if (Array.isArray(a) && Array.isArray(b)) {
    const [a0, a1] = a as readonly Scalar[];
    const [b0, b1] = b as readonly Scalar[];
    return (a0 === b0 && a1 === b1) || (baseType === 'pair' && a0 === b1 && a1 === b0);
  }
  return a === b;
}

/** Whether two values are the same: sets as bags, lists in order, records field by field. NULL equals nothing. */
export function valuesEqual(a: Value, b: Value): boolean {
  if (a === null || b === null) return false;
  if (a.cardinality === 'record' || b.cardinality === 'record') {
    if (a.cardinality !== 'record' || b.cardinality !== 'record') return false;
    const names = new Set([...Object.keys(a.fields), ...Object.keys(b.fields)]);
    return [...names].every((name) => {
      const left = own(a.fields, name) ?? null;
      const right = own(b.fields, name) ?? null;
      return left === null || right === null ? left === right : valuesEqual(left, right);
    });
  }
  const left = scalarsOf(a);
  const right = [...scalarsOf(b)];
  if (left.length !== right.length) return false;
  const baseType = a.baseType === 'float' || b.baseType === 'float' ? 'float' : a.baseType;
  if (a.cardinality === 'ordered' || b.cardinality === 'ordered') {
    return left.every((value, i) => {
      const other = right[i];
      return other !== undefined && scalarsEqual(value, other, baseType);
    });
  }
  return left.every((value) => {
    const at = right.findIndex((other) => scalarsEqual(value, other, baseType));
    if (at >= 0) right.splice(at, 1);
    return at >= 0;
  });
}

const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$/;

/** A scalar from its lexical form in QTI; `undefined` when the text is not of that base type. */
export function parseScalar(text: string, baseType: BaseType): Scalar | undefined {
  const trimmed = text.trim();
  switch (baseType) {
    case 'boolean':
      if (trimmed === 'true' || trimmed === '1') return true;
      return trimmed === 'false' || trimmed === '0' ? false : undefined;
    case 'integer':
      return /^[+-]?\d+$/.test(trimmed) ? Number(trimmed) : undefined;
    case 'float':
    case 'duration': {
      const value = NUMBER.test(trimmed) ? Number(trimmed) : NaN;
      return Number.isFinite(value) ? value : undefined;
    }
    case 'point': {
      const numbers = trimmed.split(/[\s,]+/).map((part) => (NUMBER.test(part) ? Number(part) : NaN));
      const [x, y] = numbers;
      return numbers.length === 2 && x !== undefined && y !== undefined && Number.isFinite(x + y)
        ? [x, y]
        : undefined;
    }
    case 'pair':
    case 'directedPair': {
      const [first, second, ...rest] = trimmed.split(/\s+/);
      return first && second && rest.length === 0 ? [first, second] : undefined;
    }
    case 'identifier':
      return trimmed === '' || /\s/.test(trimmed) ? undefined : trimmed;
    case 'uri':
    case 'file':
    case 'string':
      return text;
  }
}

/** The lexical form of a scalar, as QTI writes it. */
export function formatScalar(scalar: Scalar): string {
  return Array.isArray(scalar) ? scalar.join(' ') : String(scalar);
}

/** The simplest JSON for a value: numbers and booleans as such, pairs and points as QTI writes them. */
export type JsonValue =
  string | number | boolean | null | readonly JsonValue[] | { readonly [key: string]: JsonValue };
export function toJson(value: Value): JsonValue {
  if (value === null) return null;
  if (value.cardinality === 'record') {
    return Object.fromEntries(Object.entries(value.fields).map(([name, field]) => [name, toJson(field)]));
  }
  const plain = (scalar: Scalar) =>
    Array.isArray(scalar) ? scalar.join(' ') : (scalar as string | number | boolean);
  return value.cardinality === 'single' ? plain(value.value) : value.values.map(plain);
}
