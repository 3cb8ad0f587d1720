import type { ItemColumn } from '@/core/statistics/items';
import { BadTable, type Table } from './csv';

interface Key {
  readonly key: string | null;
  readonly counts: boolean;
}

/** The keys of a key table: header `item,key,counts`; an empty key means that cells are scores. @throws BadTable */
export function keysOf(table: Table, file: string): ReadonlyMap<string, Key> {
  const at = (name: string) => table.header.indexOf(name);
  const [item, key, counts] = [at('item'), at('key'), at('counts')];
  if (item < 0 || key < 0)
    throw new BadTable(file, 1, 'the header must name item and key (and may name counts)');
  return new Map(
    table.rows.map(({ cells, line }) => {
      const word = counts < 0 ? '' : (cells[counts] ?? '').trim().toLowerCase();
      if (!['', 'yes', 'no', 'true', 'false', '1', '0'].includes(word))
        throw new BadTable(file, line, `counts is "${word}", not yes or no`);
      const option = (cells[key] ?? '').trim();
      return [
        (cells[item] ?? '').trim(),
        { key: option === '' ? null : option, counts: !['no', 'false', '0'].includes(word) },
      ];
    }),
  );
}

/** The columns of a table of responses: header `student,ITEM,…`; an empty cell is no answer. @throws BadTable */
export function columnsOf(
  table: Table,
  file: string,
  keys: ReadonlyMap<string, Key> | null,
): { readonly columns: readonly ItemColumn[]; readonly n: number } {
  const [, ...items] = table.header;
  if (table.header[0] !== 'student' || items.length === 0)
    throw new BadTable(file, 1, 'the header must be student and then the items');
  for (const item of keys?.keys() ?? [])
    if (!items.includes(item)) throw new BadTable(file, 1, `there is no item ${item}, which has a key`);
  const columns = items.map((item, i): ItemColumn => {
    const known = keys?.get(item);
    if (keys && !known) throw new BadTable(file, 1, `the item ${item} has no key`);
    const cells = table.rows.map((row) => {
      const text = (row.cells[i + 1] ?? '').trim();
      return text === '' ? null : text;
    });
    const key = known?.key ?? null;
    const scores = cells.map((cell, row) => {
      if (cell === null) return 0;
      if (key !== null) return Number(cell === key);
      const score = Number(cell);
      if (!Number.isFinite(score))
        throw new BadTable(file, table.rows[row]?.line ?? 0, `"${cell}" is no score (${item})`);
      return score;
    });
    const maximum = key !== null ? 1 : scores.reduce((most, score) => Math.max(most, score), 0);
    return { item, counts: known?.counts ?? true, cells, scores, maximum, key };
  });
  return { columns, n: table.rows.length };
}
