import { resolve } from 'node:path';
import { backUp } from '@/server/db/backup';
import { database, dataDir } from '@/server/db/open';
import { flag, positional, stop } from './arguments';

/** npm run backup -- [FOLDER] [--keep N]: see docs/running.md. */
async function main(): Promise<void> {
  const [folder = `${dataDir()}/backups`] = positional(['keep']);
  const keep = flag('keep');
  if (keep !== undefined && !/^[1-9]\d*$/.test(keep)) stop('--keep takes a whole number from 1', 2);
  const path = await backUp(
    database(),
    resolve(folder),
    Date.now(),
    keep === undefined ? Infinity : Number(keep),
  );
  process.stdout.write(`${path}\n`);
}

main().catch((error: unknown) => stop(`no backup was made: ${String(error)}`, 1));
