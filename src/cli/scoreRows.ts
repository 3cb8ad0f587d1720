import { z } from 'zod';
import type { Item } from '@/core/item/item';
import { readResponse, type RawResponse } from '@/core/content/response';
import { toJson, type JsonValue } from '@/core/content/value';
import { scoreItem } from '@/core/processing/score';
import type { QtiPackage } from '@/core/qti/package';
import { givenResponses, toRawAll } from './responses';

const row = z.object({ item: z.string(), responses: givenResponses.default({}) });

export interface ScoredRow {
  readonly item: string;
  readonly outcomes?: Readonly<Record<string, JsonValue>>;
  readonly progress?: string;
  readonly scoredBy?: string;
  readonly error?: string;
}

function errorIn(item: Item, responses: Readonly<Record<string, RawResponse>>): string | null {
  for (const [name, raw] of Object.entries(responses)) {
    const declared = item.responses.find((one) => one.identifier === name);
    if (!declared) return `the item has no response ${name}`;
    if (Array.isArray(raw) && declared.cardinality === 'single' && raw.length > 1)
      return readResponse(raw, declared).problem;
    const isRecord = raw !== null && typeof raw === 'object' && !Array.isArray(raw);
    if (isRecord !== (declared.cardinality === 'record') && raw !== null)
      return readResponse(raw, declared).problem;
  }
  return null;
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
    const raw = toRawAll(responses);
    // What cannot be taken counts as not given; the rest of the row is scored all the same.
    const error = errorIn(item, raw);
    const score = scoreItem(item, raw, { seed: identifier });
    return {
      item: identifier,
      outcomes: Object.fromEntries(
        Object.entries(score.outcomes).map(([name, value]) => [name, toJson(value)]),
      ),
      progress: score.progress,
      scoredBy: score.scoredBy,
      ...(error !== null && { error }),
    };
  });
}
