import { readFileSync } from 'node:fs';
import { BadTable, parseTable, raggedness, type Table } from '@/core/table/csv';

export { BadTable, type Table };

/** Reads a table whose rows all have as many cells as its header. @throws BadTable */
export function readTable(path: string): Table {
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(path);
  } catch (error) {
    throw new BadTable(path, 0, `cannot be read: ${error instanceof Error ? error.message : ''}`);
  }
  const table = parseTable(bytes, path);
  for (const row of table.rows) {
    const why = raggedness(row, table);
    if (why !== null) throw new BadTable(path, row.line, why);
  }
  return table;
}
