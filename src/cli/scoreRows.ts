import { z } from 'zod';
import type { Item } from '@/core/item/item';
import { readResponse, type RawResponse } from '@/core/item/response';
import { toJson, type JsonValue } from '@/core/item/value';
import { scoreItem } from '@/core/processing/score';
import type { QtiPackage } from '@/core/qti/package';

const scalar = z.union([z.string(), z.number(), z.boolean()]);
const row = z.object({
  item: z.string(),
  responses: z
    .record(
      z.string(),
      z.union([
        z.null(),
        scalar,
        z.array(z.union([scalar, z.null()])),
        z.record(z.string(), z.union([scalar, z.null()])),
      ]),
    )
    .default({}),
});
type Given = z.infer<typeof row>['responses'][string];

export interface ScoredRow {
  readonly item: string;
  readonly outcomes?: Readonly<Record<string, JsonValue>>;
  readonly progress?: string;
  readonly scoredBy?: string;
  readonly error?: string;
}

/** JSON numbers and booleans become QTI's lexical forms. */
function toRaw(given: Given): RawResponse {
  if (given === null) return null;
  if (Array.isArray(given)) return given.filter((one) => one !== null).map(String);
  if (typeof given === 'object') {
    return Object.fromEntries(
      Object.entries(given).map(([name, one]) => [name, one === null ? null : String(one)]),
    );
  }
  return String(given);
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
    const raw = Object.fromEntries(Object.entries(responses).map(([name, value]) => [name, toRaw(value)]));
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
