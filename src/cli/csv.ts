import { readFileSync } from 'node:fs';
import Papa from 'papaparse';

/** A table of a CSV file (RFC 4180): its header and its rows, each with the line it begins on. */
export interface Table {
  readonly header: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}
/** A file that is no table; `line` is where. */
export class BadTable extends Error {
  constructor(
    readonly file: string,
    readonly line: number,
    message: string,
  ) {
    super(`${file}:${line}: ${message}`);
  }
}

/** Reads a table whose rows all have as many cells as its header. @throws BadTable */
export function readTable(path: string): Table {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(path));
  } catch (error) {
    throw new BadTable(
      path,
      0,
      `cannot be read as UTF-8 text: ${error instanceof Error ? error.message : ''}`,
    );
  }
  const rows: { line: number; cells: string[] }[] = [];
  let line = 1;
  let before = 0;
  const plain = text.replace(/^\uFEFF/, '');
  Papa.parse<string[]>(plain, {
    delimiter: ',',
    step: ({ data, errors, meta }) => {
      const [problem] = errors.filter((one) => one.type === 'Quotes');
      if (problem)
        throw new BadTable(path, line, 'a quoted cell is not closed, or has something behind its quote');
      if (data.some((cell) => cell !== '')) rows.push({ line, cells: data });
      line += plain.slice(before, meta.cursor).split('\n').length - 1;
      before = meta.cursor;
    },
  });
  const [first, ...rest] = rows;
  if (!first) throw new BadTable(path, 1, 'the file is empty');
  const header = first.cells.map((cell) => cell.trim());
  const twice = header.find((name, i) => header.indexOf(name) < i);
  if (twice !== undefined) throw new BadTable(path, 1, `the column "${twice}" is there twice`);
  for (const row of rest)
    if (row.cells.length !== header.length)
      throw new BadTable(path, row.line, `${row.cells.length} cells where the header has ${header.length}`);
  return { header, rows: rest };
}
