import { defineKind, complete, empty, type InteractionBase, type Said } from '../types';
import { responseTexts, type RawResponse } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'cell-grid': CellGridModel;
  }
}

export interface CellGridModel extends InteractionBase {
  readonly type: 'cell-grid';
  readonly rows: number;
  readonly columns: number;
}
/** A cell, rows and columns from 1. */
export interface Cell {
  readonly row: number;
  readonly column: number;
}

export const cellName = ({ row, column }: Cell): string => `r${row}c${column}`;

/** The cell an identifier names; null for one that is not on the grid. */
export function cellOf(model: CellGridModel, name: string): Cell | null {
  const [, row, column] = /^r(\d+)c(\d+)$/.exec(name) ?? [];
  const cell = { row: Number(row), column: Number(column) };
  const inside = cell.row >= 1 && cell.row <= model.rows && cell.column >= 1 && cell.column <= model.columns;
  return inside ? cell : null;
}

/** The cells that are on. */
export const cellsOn = (model: CellGridModel, response: RawResponse): Set<string> =>
  new Set(responseTexts(response).filter((name) => cellOf(model, name)));

/** Switches cells on or off; the answer lists them row by row. */
export function switchCells(
  model: CellGridModel,
  response: RawResponse,
  cells: readonly Cell[],
  on: boolean,
): RawResponse {
  const next = cellsOn(model, response);
  for (const cell of cells) {
    if (on) next.add(cellName(cell));
    else next.delete(cellName(cell));
  }
  const names: string[] = [];
  for (let row = 1; row <= model.rows; row += 1)
    for (let column = 1; column <= model.columns; column += 1) {
      const name = cellName({ row, column });
      if (next.has(name)) names.push(name);
    }
  return names.length > 0 ? names : null;
}

/** All cells of the rectangle between two: what a sweep covers. */
export function cellsBetween(a: Cell, b: Cell): Cell[] {
  const [top, bottom] = [Math.min(a.row, b.row), Math.max(a.row, b.row)];
  const [left, right] = [Math.min(a.column, b.column), Math.max(a.column, b.column)];
  return Array.from({ length: (bottom - top + 1) * (right - left + 1) }, (_, i) => ({
    row: top + Math.floor(i / (right - left + 1)),
    column: left + (i % (right - left + 1)),
  }));
}

/** Numbers that follow one another as runs: `1–3, 5`. */
function runs(numbers: readonly number[]): string {
  const found: [number, number][] = [];
  for (const one of numbers) {
    const last = found.at(-1);
    if (last && last[1] === one - 1) last[1] = one;
    else found.push([one, one]);
  }
  return found.map(([from, to]) => (from === to ? String(from) : `${from}\u2013${to}`)).join(', ');
}

/** Our `cell-grid`: cells of a grid switched on and off (items.md, "Interactions of our own"). */
export const cellGrid = defineKind<CellGridModel>({
  type: 'cell-grid',
  inline: false,
  progress(model, response) {
    return cellsOn(model, response).size > 0 ? complete : empty('noCell');
  },
  said(model, response) {
    const on = cellsOn(model, response);
    return Array.from({ length: model.rows }, (_, i) => i + 1).flatMap((row): Said[] => {
      const columns = Array.from({ length: model.columns }, (_, i) => i + 1).filter((column) =>
        on.has(cellName({ row, column })),
      );
      return columns.length === 0
        ? []
        : [{ code: 'row', values: { row, count: columns.length, columns: runs(columns) } }];
    });
  },
  fault(model, texts) {
    if (texts.some((name) => !cellOf(model, name))) return 'unknown';
    return new Set(texts).size < texts.length ? 'impossible' : null;
  },
});
