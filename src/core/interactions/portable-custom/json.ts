import type { RawResponse } from '../../content/response';
import { formatScalar, parseScalar, type BaseType, type Scalar, type Value } from '../../content/value';
import type { ResponseShape } from '../types';

/**
 * Values as a portable custom interaction gives and takes them (IMS PCI 1.0 and QTI 3.0, "JSON representation"; from memory):
 * `{"base":{"integer":3}}`, `{"list":{"identifier":["A"]}}`, `{"base":null}` for NULL.
 */
export type QtiJson =
  | { readonly base: Readonly<Record<string, unknown>> | null }
  | { readonly list: Readonly<Record<string, readonly unknown[]>> }
  | {
      readonly record: readonly {
        readonly name: string;
        readonly base: Readonly<Record<string, unknown>> | null;
      }[];
    };

/** A scalar as JSON has it: points and pairs are lists of two. */
const scalarJson = (value: Scalar): unknown => (typeof value === 'object' ? [...value] : value);

export function toQtiJson(value: Value): QtiJson {
  if (value === null) return { base: null };
  switch (value.cardinality) {
    case 'single':
      return { base: { [value.baseType]: scalarJson(value.value) } };
    case 'record':
      return {
        record: Object.entries(value.fields).map(([name, field]) => ({
          name,
          base: field && { [field.baseType]: scalarJson(field.value) },
        })),
      };
    default:
      return { list: { [value.baseType]: value.values.map(scalarJson) } };
  }
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** One value of a base type in QTI's own writing; null where it is none of that type. */
function scalarText(value: unknown, baseType: BaseType): string | null {
  const parts = Array.isArray(value) ? value : [value];
  if (!parts.every((part) => ['string', 'number', 'boolean'].includes(typeof part))) return null;
  const text = parts.map(String).join(' ');
  const read = parseScalar(text, baseType);
  return read === undefined ? null : formatScalar(read);
}

/**
 * What a program says its answer is, as a response of the declared shape. Nothing it says is believed: another cardinality, another
 * type or an unreadable value is no answer.
 * @returns undefined where it is none; null for "not answered"
 */
export function fromQtiJson(
  json: unknown,
  { cardinality, baseType }: ResponseShape,
): RawResponse | undefined {
  if (json === null || json === undefined) return null;
  if (!isObject(json) || baseType === null) return undefined;
  if (json.base === null) return null;
  if (cardinality === 'single') {
    if (!isObject(json.base)) return undefined;
    const [given] = Object.values(json.base);
    return given === null || given === '' ? null : (scalarText(given, baseType) ?? undefined);
  }
  if (!isObject(json.list)) return undefined;
  const [given] = Object.values(json.list);
  if (!Array.isArray(given)) return undefined;
  const texts = given.map((one) => scalarText(one, baseType));
  if (texts.includes(null)) return undefined;
  return texts.length === 0 ? null : (texts as string[]);
}
