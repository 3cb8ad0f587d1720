import { statisticsOf } from '@/core/statistics/items';
import { flag, stop } from './arguments';
import { BadTable, readTable } from './csv';
import { writeJson } from './input';
import { columnsOf, keysOf } from './statisticsTable';

/** npm run statistics -- --responses FILE.csv [--key FILE.csv] [--out FILE.json]: see docs/commands.md. */
function main(): void {
  const [responses, key, out] = [flag('responses'), flag('key'), flag('out')];
  if (!responses)
    stop('usage: npm run statistics -- --responses FILE.csv [--key FILE.csv] [--out FILE.json]', 2);
  try {
    const keys = key === undefined ? null : keysOf(readTable(key), key);
    const { columns, n } = columnsOf(readTable(responses), responses, keys);
    writeJson(statisticsOf(columns, n), out);
  } catch (error) {
    if (error instanceof BadTable) stop(error.message, 2);
    throw error;
  }
}

main();
