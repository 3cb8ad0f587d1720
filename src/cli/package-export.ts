import { writeFileSync } from 'node:fs';
import { zipSync } from 'fflate';
import { exportPackage } from '@/core/qti/exportPackage';
import { UnreadablePackage } from '@/core/qti/package';
import { filesAt } from '@/server/library/files';
import { flag, positional, stop } from './arguments';
import { inLines } from './input';

/** The earliest time a zip can say: the same content gives the same bytes, whenever it is written. */
const MTIME = new Date(1980, 0, 1);

/** npm run package:export -- DIR_OR_ZIP --out FILE.zip: see docs/commands.md. */
function main(): void {
  const [path] = positional(['out']);
  const out = flag('out');
  if (!path || !out) stop('usage: npm run package:export -- DIR_OR_ZIP --out FILE.zip', 2);
  try {
    const { content, written } = exportPackage(filesAt(path));
    const refused = content.problems.filter(({ severity }) => severity === 'error');
    for (const { file, line, message } of refused)
      process.stderr.write(`left out  ${file}:${line}  ${message}\n`);
    writeFileSync(out, zipSync(Object.fromEntries(written), { mtime: MTIME, level: 9 }));
    process.stdout.write(`${out}: ${content.items.size} items, ${content.tests.length} tests\n`);
    process.exitCode = refused.length > 0 ? 1 : 0;
  } catch (error) {
    if (!(error instanceof UnreadablePackage)) throw error;
    stop(inLines(error.problems), 2);
  }
}

main();
