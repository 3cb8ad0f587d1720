import { own } from '../own';
import type { ResponseDeclaration } from './declarations';
import {
  container,
  formatScalar,
  parseScalar,
  single,
  type BaseType,
  type Scalar,
  type SingleValue,
  type Value,
} from './value';

/**
 * A response as it is kept and sent: QTI's own lexical forms in JSON. `"A"`, `["A","B"]`, `["A G1"]` for pairs,
 * `["2 3"]` for points, an object for records, `null` for not answered.
 */
export type RawResponse = null | string | readonly string[] | Readonly<Record<string, string | null>>;

/** A response as a value, and why it could not be one. A text that is not of the base type gives NULL and a problem. */
export interface ReadResponse {
  readonly value: Value;
  readonly problem: string | null;
}

const THOUSANDS = /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/;
/** Thousands apart by spaces, or, where a comma follows, by points. */
const SPACED = /^[+-]?\d{1,3}(?:(?:[ \u00a0\u202f]\d{3})+(?:,\d+)?|(?:\.\d{3})+,\d+)$/;
const WITH_COMMA = /^[+-]?(?:\d+,\d*|,\d+)$/;

/**
 * A number as people type it: with a thousands comma, a typographic minus, a plus sign or spaces around it. Where a comma stands before
 * the tenths, `3,5` is three and a half and `1 234,5` has thousands; a point is read too, as no comma can be meant by it.
 * @param decimal the sign before the tenths, where that is no point
 */
export function normaliseTypedNumber(text: string, decimal?: ','): string {
  const trimmed = text.trim().replace(/[\u2212\u2013]/g, '-');
  if (decimal === undefined) return THOUSANDS.test(trimmed) ? trimmed.replaceAll(',', '') : trimmed;
  const plain = SPACED.test(trimmed) ? trimmed.replace(/[ \u00a0\u202f.]/g, '') : trimmed;
  return WITH_COMMA.test(plain) ? plain.replace(',', '.') : plain;
}

function readScalar(text: string, declaration: ResponseDeclaration): Scalar | undefined {
  const { baseType } = declaration;
  if (baseType === null) return undefined;
  const numeric = baseType === 'float' || baseType === 'integer';
  return parseScalar(numeric ? normaliseTypedNumber(text, declaration.decimal) : text, baseType);
}

/** Fields of the record that a number typed into a box gives (QTI 3.0, "text entry interaction": numeric record). */
const NUMERIC_FIELDS: Readonly<Record<string, BaseType>> = {
  stringValue: 'string',
  floatValue: 'float',
  integerValue: 'integer',
  leftDigits: 'integer',
  rightDigits: 'integer',
  ndp: 'integer',
  nsf: 'integer',
  exponent: 'integer',
};

/** The type of a field: what the declaration's own values have there, else what the standard gives it, else text. */
function fieldType(name: string, { correctResponse, defaultValue }: ResponseDeclaration): BaseType {
  for (const known of [correctResponse, defaultValue]) {
    const field = known?.cardinality === 'record' ? own(known.fields, name) : undefined;
    if (field) return field.baseType;
  }
  return own(NUMERIC_FIELDS, name) ?? 'string';
}

/** A record, each field by its type; a record in which nothing is given is no response. */
function readRecord(
  raw: Readonly<Record<string, string | null>>,
  declaration: ResponseDeclaration,
): ReadResponse {
  let problem: string | null = null;
  const fields = Object.entries(raw).map(([name, text]): [string, SingleValue | null] => {
    if (text === null || text === '') return [name, null];
    const type = fieldType(name, declaration);
    const scalar = parseScalar(
      type === 'float' || type === 'integer' ? normaliseTypedNumber(text, declaration.decimal) : text,
      type,
    );
    if (scalar === undefined) problem = `"${text.slice(0, 60)}" is not a ${type} (${name})`;
    return [name, scalar === undefined ? null : single(type, scalar)];
  });
  if (fields.every(([, field]) => field === null)) return { value: null, problem };
  return { value: { cardinality: 'record', fields: Object.fromEntries(fields) }, problem };
}

/** The QTI value of a kept response, by its declaration. Never throws. */
export function readResponse(raw: RawResponse, declaration: ResponseDeclaration): ReadResponse {
  const nothing: ReadResponse = { value: null, problem: null };
  if (raw === null) return nothing;
  if (declaration.cardinality === 'record') {
    if (typeof raw === 'string' || Array.isArray(raw)) return { value: null, problem: 'a record is wanted' };
    return readRecord(raw as Readonly<Record<string, string | null>>, declaration);
  }
  if (typeof raw === 'object' && !Array.isArray(raw)) {
    return { value: null, problem: `${declaration.identifier} is not a record` };
  }
  const texts = (typeof raw === 'string' ? [raw] : (raw as readonly string[])).filter((text) => text !== '');
  if (texts.length === 0) return nothing;
  const baseType = declaration.baseType ?? 'string';
  const scalars: Scalar[] = [];
  for (const text of texts) {
    const scalar = readScalar(text, declaration);
    if (scalar === undefined) return { value: null, problem: `"${text.slice(0, 60)}" is not a ${baseType}` };
    scalars.push(scalar);
  }
  if (declaration.cardinality === 'single') {
    const [only] = scalars;
    if (only === undefined || scalars.length > 1) {
      return {
        value: null,
        problem: `${declaration.identifier} takes one value, ${scalars.length} were given`,
      };
    }
    return { value: single(baseType, only), problem: null };
  }
  return { value: container(declaration.cardinality, baseType, scalars), problem: null };
}

/** A kept response as a list of texts, whatever its shape. */
export function responseTexts(raw: RawResponse): readonly string[] {
  if (raw === null) return [];
  if (typeof raw === 'string') return raw === '' ? [] : [raw];
  if (Array.isArray(raw)) return raw as readonly string[];
  return Object.values(raw as Readonly<Record<string, string | null>>).filter(
    (text) => text !== null && text.trim() !== '',
  ) as string[];
}

/** A list of texts as a response of that cardinality: a single one takes the newest. */
export function forCardinality(
  raw: RawResponse,
  cardinality: ResponseDeclaration['cardinality'],
): RawResponse {
  if (cardinality !== 'single' || typeof raw === 'string') return raw;
  return responseTexts(raw).at(-1) ?? null;
}

/** A value as a response would be given: what a correct response looks like to the interaction. */
export function rawOf(value: Value): RawResponse {
  if (value === null) return null;
  if (value.cardinality === 'record') {
    return Object.fromEntries(
      Object.entries(value.fields).map(([name, field]) => [
        name,
        field === null ? null : formatScalar(field.value),
      ]),
    );
  }
  return value.cardinality === 'single' ? formatScalar(value.value) : value.values.map(formatScalar);
}
