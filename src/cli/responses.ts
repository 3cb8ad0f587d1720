import { z } from 'zod';
import type { RawResponse } from '@/core/content/response';

const scalar = z.union([z.string(), z.number(), z.boolean()]);
/** A response as a file of a batch gives it: JSON values, pairs and points as QTI writes them, records as objects, null = none. */
export const givenResponse = z.union([
  z.null(),
  scalar,
  z.array(z.union([scalar, z.null()])),
  z.record(z.string(), z.union([scalar, z.null()])),
]);
export const givenResponses = z.record(z.string(), givenResponse);
type Given = z.infer<typeof givenResponse>;

/** JSON numbers and booleans become QTI's lexical forms. */
export function toRaw(given: Given): RawResponse {
  if (given === null) return null;
  if (Array.isArray(given)) return given.filter((one) => one !== null).map(String);
  if (typeof given === 'object') {
    return Object.fromEntries(
      Object.entries(given).map(([name, one]) => [name, one === null ? null : String(one)]),
    );
  }
  return String(given);
}

export const toRawAll = (given: Readonly<Record<string, Given>>): Record<string, RawResponse> =>
  Object.fromEntries(Object.entries(given).map(([name, value]) => [name, toRaw(value)]));
