import { BadBackup, restore } from '@/server/db/backup';
import { dataDir } from '@/server/db/open';
import { positional, stop } from './arguments';

/** npm run restore -- FILE: see docs/running.md. */
function main(): void {
  const [file] = positional([]);
  if (!file) return stop('usage: npm run restore -- FILE', 2);
  try {
    const aside = restore(file, dataDir(), Date.now());
    process.stdout.write(`${dataDir()} holds the backup now\n`);
    if (aside) process.stdout.write(`what was there is kept as ${aside}\n`);
  } catch (error) {
    if (error instanceof BadBackup) stop(error.message, 1);
    throw error;
  }
}

main();
