import { z } from 'zod';
import type { Item } from '@/core/item/item';
import { readResponse, responseTexts, type RawResponse } from '@/core/content/response';
import { figuresOf } from '@/core/interactions/coordinate-plane';
import { pointsOn } from '@/core/interactions/number-line';
import { pointsOf } from '@/core/interactions/pointing';
import { toJson, type JsonValue } from '@/core/content/value';
import { scoreItem } from '@/core/processing/score';
import type { QtiPackage } from '@/core/qti/package';
import { givenResponse, toRaw } from './responses';
import { interactionsOf } from '@/core/content/content';
import { responseProblem } from '@/core/item/responseProblem';

const row = z.object({ item: z.string(), responses: z.record(z.string(), z.unknown()).default({}) });

export interface ScoredRow {
  readonly item: string;
  readonly outcomes?: Readonly<Record<string, JsonValue>>;
  readonly progress?: string;
  readonly scoredBy?: string;
  readonly error?: string;
}

/**
 * Whether a response names places (cells, points, figures) that can be read: then one that is not there is no answer. What cannot
 * be read at all is an answer that is wrong (items.md, "Response processing").
 */
function isReadablePlace(item: Item, name: string, raw: RawResponse): boolean {
  const model = interactionsOf(item.body).find((one) => one.responseIdentifier === name);
  const texts = responseTexts(raw);
  switch (model?.type) {
    case 'cell-grid':
      return true;
    case 'number-line':
      return model.mode === 'points' && pointsOn(model, raw).length === texts.length;
    case 'coordinate-plane':
      return figuresOf(raw).length === texts.length;
    case 'select-point':
    case 'position-object':
      return pointsOf(raw).length === texts.length;
    default:
      return false;
  }
}

/** One response of a row: as it can be taken, and what is wrong with it. What cannot be taken counts as not given. */
function take(
  item: Item,
  name: string,
  given: unknown,
): { readonly response: RawResponse; readonly error: string | null } {
  const declared = item.responses.find((one) => one.identifier === name);
  if (!declared) return { response: null, error: `the item has no response ${name}` };
  const read = givenResponse.safeParse(given);
  if (!read.success) return { response: null, error: `${name} is not a response in any form that is known` };
  const raw = toRaw(read.data);
  const isRecord = raw !== null && typeof raw === 'object' && !Array.isArray(raw);
  const several = Array.isArray(raw) && declared.cardinality === 'single' && raw.length > 1;
  if (several || (raw !== null && isRecord !== (declared.cardinality === 'record')))
    return { response: null, error: readResponse(raw, declared).problem };
  const fault = isReadablePlace(item, name, raw) ? responseProblem(item, name, raw) : null;
  if (fault === 'unknown' || fault === 'impossible')
    return { response: null, error: `${name} names something that is not there to be answered with` };
  return { response: raw, error: null };
}

/** Scores rows one by one; what is wrong with one is said in it and the rest goes on (items.md, "Command line"). */
export function scoreRows(content: QtiPackage, rows: readonly unknown[]): ScoredRow[] {
  return rows.map((given, i): ScoredRow => {
    const read = row.safeParse(given);
    if (!read.success) {
      const name = typeof given === 'object' && given !== null && 'item' in given ? String(given.item) : '';
      return {
        item: name,
        error: `row ${i + 1}: ${read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; ')}`,
      };
    }
    const { item: identifier, responses } = read.data;
    const item = content.items.get(identifier);
    if (!item) return { item: identifier, error: `the package has no deliverable item ${identifier}` };
    const taken = Object.entries(responses).map(([name, one]) => [name, take(item, name, one)] as const);
    const errors = taken.flatMap(([, { error }]) => error ?? []);
    const raw = Object.fromEntries(taken.map(([name, { response }]) => [name, response]));
    const score = scoreItem(item, raw, { seed: identifier });
    return {
      item: identifier,
      outcomes: Object.fromEntries(
        Object.entries(score.outcomes).map(([name, value]) => [name, toJson(value)]),
      ),
      progress: score.progress,
      scoredBy: score.scoredBy,
      ...(errors.length > 0 && { error: errors.join('; ') }),
    };
  });
}
