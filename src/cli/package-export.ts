import { writeFileSync } from 'node:fs';
import { zipSync } from 'fflate';
import { exportPackage } from '@/core/qti/exportPackage';
import { UnreadablePackage, type PackageFiles } from '@/core/qti/package';
import { database } from '@/server/db/open';
import { filesAt } from '@/server/library/files';
import { filesOfVersion } from '@/server/library/library';
import { flag, positional, stop } from './arguments';
import { inLines } from './input';

/** The earliest time a zip can say: the same content gives the same bytes, whenever it is written. */
const MTIME = new Date(1980, 0, 1);

/** What is to be written: a package at a path, or a version in the library. */
function filesAsked(path: string | undefined, version: string | undefined): PackageFiles | null {
  if (path) return filesAt(path);
  return version ? filesOfVersion(database(), Number(version)) : null;
}

/** npm run package:export -- DIR_OR_ZIP --out FILE.zip, or --version ID --out FILE.zip: see docs/commands.md. */
function main(): void {
  const [path] = positional(['out', 'version']);
  const out = flag('out');
  try {
    const files = filesAsked(path, flag('version'));
    if (!files || !out)
      stop('usage: npm run package:export -- DIR_OR_ZIP (or --version ID) --out FILE.zip', 2);
    const { content, written } = exportPackage(files);
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
