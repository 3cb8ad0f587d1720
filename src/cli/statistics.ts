import { writeFileSync } from 'node:fs';
import { statisticsOf } from '@/core/statistics/items';
import { flag, stop } from './arguments';
import { BadTable, readTable } from './csv';
import { columnsOf, keysOf } from './statisticsTable';

/** npm run statistics -- --responses FILE.csv [--key FILE.csv] [--out FILE.json]: see docs/commands.md. */
function main(): void {
  const [responses, key, out] = [flag('responses'), flag('key'), flag('out')];
  if (!responses)
    stop('usage: npm run statistics -- --responses FILE.csv [--key FILE.csv] [--out FILE.json]', 2);
  try {
    const keys = key === undefined ? null : keysOf(readTable(key), key);
    const { columns, n } = columnsOf(readTable(responses), responses, keys);
    const text = `${JSON.stringify(statisticsOf(columns, n), null, 2)}\n`;
    if (out) writeFileSync(out, text);
    else process.stdout.write(text);
  } catch (error) {
    if (error instanceof BadTable) stop(error.message, 2);
    throw error;
  }
}

main();
