import type { PackageReport } from '@/core/wire/library';
import { database } from '@/server/db/open';
import { filesAt } from '@/server/library/files';
import { bringPackage } from '@/server/library/bring';
import { positional, stop } from './arguments';

const inJson = process.argv.includes('--json');

function print({ ok, identifier, standing, items, tests, problems }: PackageReport, bring: boolean): void {
  for (const { severity, file, line, message, code } of problems)
    process.stdout.write(
      `${severity === 'error' ? 'refused  ' : 'set aside'}  ${file}:${line}  ${message} [${code}]\n`,
    );
  if (!ok) process.stdout.write('nothing was brought: there is no test in it that can be given\n');
  else
    process.stdout.write(
      `${bring ? 'brought' : 'would bring'} ${identifier} (${standing}): ${items} items; ${tests.join('; ')}\n`,
    );
}

/** npm run package:import -- DIR_OR_ZIP [--apply] [--json]: see docs/commands.md. */
function main(): void {
  const [path] = positional([]);
  if (!path) stop('usage: npm run package:import -- DIR_OR_ZIP [--apply] [--json]', 2);
  const bring = process.argv.includes('--apply');
  const report = bringPackage(database(), () => filesAt(path), { bring, now: Date.now() });
  if (inJson) process.stdout.write(`${JSON.stringify(report)}\n`);
  else print(report, bring);
  if (report.ok) process.exitCode = 0;
  // Nothing could be read of it.
  else process.exitCode = report.items === 0 && report.identifier === '' ? 2 : 1;
}

main();
