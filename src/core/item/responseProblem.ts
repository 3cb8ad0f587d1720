import { interactionsOf } from '../content/content';
import { readResponse, responseTexts, type RawResponse } from '../content/response';
import type { ResponseShape } from '../content/interaction';
import { interactionOf } from '../interactions';
import type { Fault } from '../interactions/types';
import type { Answerable } from './progress';

/** Values a list, fields a record, and letters a field of it may have; an interaction may allow less. */
const MOST = { values: 2_000, fields: 40, letters: 20_000 } as const;

const declared = (shape: ResponseShape) => ({
  ...shape,
  defaultValue: null,
  correctResponse: null,
  mapping: null,
  areaMapping: null,
});

/** Boxes keep what was typed, number or not; everything else gives values of its type. */
const keepsText = (type: string): boolean => type === 'text-entry' || type === 'extended-text';

/**
 * What is wrong with a response that a student of this question could never have given: a response the question has not, another
 * shape than the declared one, something that is not offered, more than the maximum. Null for everything a student can give,
 * finished or not. The border between a browser (or a file) and what is kept.
 */
export function responseProblem(item: Answerable, name: string, raw: RawResponse): Fault | null {
  const shape = item.responses.find((one) => one.identifier === name);
  if (!shape) return 'unknown';
  if (raw === null) return null;
  const model = interactionsOf(item.body).find((one) => one.responseIdentifier === name);
  const kind = model && interactionOf(model.type);
  if (typeof raw === 'object' && !Array.isArray(raw)) {
    const fields = Object.entries(raw as Readonly<Record<string, string | null>>);
    const large = fields.some(([field, text]) => field.length > 200 || (text?.length ?? 0) > MOST.letters);
    return shape.cardinality !== 'record' || fields.length > MOST.fields || large ? 'impossible' : null;
  }
  if (shape.cardinality === 'record') return 'impossible';
  const texts = responseTexts(raw).filter((text) => text !== '');
  if (texts.length > MOST.values) return 'too-many';
  if (shape.cardinality === 'single' && texts.length > 1) return 'too-many';
  if (texts.length === 0) return null;
  if (!kind || !model) return readResponse(raw, declared(shape)).problem === null ? null : 'impossible';
  if (!keepsText(model.type) && readResponse(raw, declared(shape)).problem !== null) return 'impossible';
  return kind.fault(model, texts, shape);
}
