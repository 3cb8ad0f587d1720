import { pairFault } from '../faults';
import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import { responseTexts, type RawResponse } from '../../content/response';
import { type Offer, mapOffers } from '../offer';
import type { Board } from '../placing';
import { saidPairs, wordsOf } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    match: MatchModel;
  }
}

export interface MatchChoice extends Offer {
  readonly content: Content;
  /** How many partners it may have; 0 = any number. */
  readonly matchMax: number;
  readonly matchMin: number;
}
export interface MatchModel extends InteractionBase {
  readonly type: 'match';
  readonly rows: readonly MatchChoice[];
  readonly columns: readonly MatchChoice[];
  /** How many pairs must be made when the package says so; 0 = every row one. */
  readonly minAssociations: number;
  /** 0 = any number in all. */
  readonly maxAssociations: number;
  readonly shuffle: boolean;
}

export type MatchMove =
  | { readonly kind: 'changed'; readonly response: RawResponse }
  | { readonly kind: 'full'; readonly who: 'column' | 'row' | 'all'; readonly maximum: number };

const pairOf = (row: string, column: string) => `${row} ${column}`;

/** Whether the cell of a row and a column is on. */
export function isMatched(response: RawResponse, row: string, column: string): boolean {
  return responseTexts(response).includes(pairOf(row, column));
}

/**
 * Presses a cell of the grid. A row that takes one partner moves its mark; any other limit that is reached changes
 * nothing and says which.
 */
export function pressCell(
  model: MatchModel,
  response: RawResponse,
  rowId: string,
  columnId: string,
): MatchMove {
  const pairs = responseTexts(response);
  const row = model.rows.find((one) => one.identifier === rowId);
  const column = model.columns.find((one) => one.identifier === columnId);
  if (!row || !column) return { kind: 'changed', response };
  const pair = pairOf(rowId, columnId);
  const ordered = (next: readonly string[]): MatchMove => {
    const order = model.rows.flatMap((r) => model.columns.map((c) => pairOf(r.identifier, c.identifier)));
    const sorted = [...next].sort((a, b) => order.indexOf(a) - order.indexOf(b));
    return { kind: 'changed', response: sorted.length > 0 ? sorted : null };
  };
  if (pairs.includes(pair))
    return row.matchMax === 1 ? { kind: 'changed', response } : ordered(pairs.filter((p) => p !== pair));
  const kept = row.matchMax === 1 ? pairs.filter((p) => !p.startsWith(`${rowId} `)) : pairs;
  const inRow = kept.filter((p) => p.startsWith(`${rowId} `)).length;
  const inColumn = kept.filter((p) => p.endsWith(` ${columnId}`)).length;
  if (row.matchMax > 0 && inRow >= row.matchMax) return { kind: 'full', who: 'row', maximum: row.matchMax };
  if (column.matchMax > 0 && inColumn >= column.matchMax)
    return { kind: 'full', who: 'column', maximum: column.matchMax };
  if (model.maxAssociations > 0 && kept.length >= model.maxAssociations) {
    return { kind: 'full', who: 'all', maximum: model.maxAssociations };
  }
  return ordered([...kept, pair]);
}

/** Shown as a grid (`qti-match-tabular`) or as two lists. */
export const isTabular = (model: MatchModel): boolean => model.classes.includes('qti-match-tabular');

/** As two lists, what is to be matched is put to its partners. */
export const matchBoard = (model: MatchModel): Board => ({
  pieces: model.rows,
  places: model.columns.map(({ identifier, matchMax }) => ({ identifier, capacity: matchMax })),
  maximum: model.maxAssociations,
});

/** Takes every mark of a row away. */
export function clearRow(response: RawResponse, rowId: string): RawResponse {
  const rest = responseTexts(response).filter((pair) => !pair.startsWith(`${rowId} `));
  return rest.length > 0 ? rest : null;
}

/** `qti-match-interaction`: two sets matched, also as a grid (QTI 3.0, "match interaction"). */
export const match = defineKind<MatchModel>({
  type: 'match',
  inline: false,
  offers: ['rows', 'columns'],
  mapContents: (model, change) => ({
    ...model,
    rows: mapOffers(model.rows, change),
    columns: mapOffers(model.columns, change),
  }),
  shuffles: ['rows', 'columns'],
  progress(model, response) {
    const pairs = responseTexts(response);
    const capacity = model.columns.reduce(
      (sum, one) => sum + (one.matchMax === 0 ? Infinity : one.matchMax),
      0,
    );
    const limit = model.maxAssociations === 0 ? Infinity : model.maxAssociations;
    const wanted = Math.min(model.rows.length, capacity, limit);
    if (model.minAssociations > 0) {
      const most = Math.min(model.minAssociations, capacity, limit);
      const values = { made: pairs.length, wanted: most };
      if (pairs.length === 0) return empty('pairs', values);
      return pairs.length < most ? partial('pairs', values) : complete;
    }
    if (pairs.length === 0) return empty('rowsEmpty', { count: wanted });
    const done = model.rows.filter(
      (row) => pairs.filter((p) => p.startsWith(`${row.identifier} `)).length >= Math.max(1, row.matchMin),
    ).length;
    return done < wanted ? partial('rowsEmpty', { count: wanted - done }) : complete;
  },
  said: (model, response) =>
    saidPairs(
      response,
      (row) => wordsOf(model.rows, row),
      (column) => wordsOf(model.columns, column),
    ),
  fault: (model, texts) =>
    pairFault(
      model.rows.map(({ identifier, matchMax }) => ({ identifier, most: matchMax })),
      model.columns.map(({ identifier, matchMax }) => ({ identifier, most: matchMax })),
      texts,
      model.maxAssociations,
      true,
    ),
});
