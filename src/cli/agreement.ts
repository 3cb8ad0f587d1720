import { agreementOf } from '@/core/statistics/agreement';
import { positional, stop } from './arguments';
import { BadTable, readTable, type Table } from './csv';

/** The pairs of scores of a table with the header `answer,reader1,reader2`. @throws BadTable */
function pairsOf(table: Table, file: string): [number, number][] {
  const columns = ['reader1', 'reader2'].map((name) => table.header.indexOf(name));
  if (columns.some((at) => at < 0)) throw new BadTable(file, 1, 'the header must be answer,reader1,reader2');
  return table.rows.map(({ cells, line }) => {
    const [a = NaN, b = NaN] = columns.map((at) => {
      const text = (cells[at] ?? '').trim();
      if (!/^[+-]?\d+$/.test(text)) throw new BadTable(file, line, `"${text}" is no whole-number score`);
      return Number(text);
    });
    return [a, b];
  });
}

/** npm run agreement -- FILE.csv: how far two readers agree (docs/commands.md). */
function main(): void {
  const [path] = positional([]);
  if (!path) stop('usage: npm run agreement -- FILE.csv', 2);
  try {
    process.stdout.write(`${JSON.stringify(agreementOf(pairsOf(readTable(path), path)))}\n`);
  } catch (error) {
    if (error instanceof BadTable) stop(error.message, 2);
    throw error;
  }
}

main();
