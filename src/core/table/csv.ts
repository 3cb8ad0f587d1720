import Papa from 'papaparse';

export interface Row {
  /** The line of the file it begins on, from 1; a quoted cell may hold line ends. */
  readonly line: number;
  readonly cells: readonly string[];
}
/** A table of a CSV file (RFC 4180): its header and its rows. */
export interface Table {
  readonly header: readonly string[];
  readonly rows: readonly Row[];
}
/** A file that is no table; `line` is where. */
export class BadTable extends Error {
  constructor(
    readonly file: string,
    readonly line: number,
    readonly why: string,
  ) {
    super(`${file}:${line}: ${why}`);
  }
}

/** What is wrong with the number of cells of a row; null for a whole one. */
export const raggedness = ({ cells }: Row, { header }: Table): string | null =>
  cells.length === header.length ? null : `${cells.length} cells where the header has ${header.length}`;

/**
 * Reads a table from the bytes of a file. Rows may be ragged; whoever reads them asks `raggedness`.
 * @param file what the file is called in messages
 * @throws BadTable for what is no UTF-8, has no header, two columns of one name, or a quoted cell without an end
 */
export function parseTable(bytes: Uint8Array, file: string): Table {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new BadTable(file, 0, 'the file is not UTF-8 text');
  }
  const rows: Row[] = [];
  let line = 1;
  let before = 0;
  Papa.parse<string[]>(text, {
    delimiter: ',',
    step: ({ data, errors, meta }) => {
      if (errors.some((one) => one.type === 'Quotes'))
        throw new BadTable(file, line, 'a quoted cell is not closed, or has something behind its quote');
      if (data.some((cell) => cell !== '')) rows.push({ line, cells: data });
      line += text.slice(before, meta.cursor).split('\n').length - 1;
      before = meta.cursor;
    },
  });
  const [first, ...rest] = rows;
  if (!first) throw new BadTable(file, 1, 'the file is empty');
  const header = first.cells.map((cell) => cell.trim());
  const twice = header.find((name, i) => header.indexOf(name) < i);
  if (twice !== undefined) throw new BadTable(file, 1, `the column "${twice}" is there twice`);
  return { header, rows: rest };
}

/**
 * Writes a table (RFC 4180). Text that a spreadsheet would take for a formula gets an apostrophe before it, so that it stays text (common
 * practice against "CSV injection").
 */
export const writeTable = (
  header: readonly string[],
  rows: readonly (readonly (string | number | null)[])[],
): string =>
  `${Papa.unparse({ fields: [...header], data: rows.map((row) => [...row]) }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
