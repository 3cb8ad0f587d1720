import type { RosterReport } from '@/core/wire/people';
import { UnreadablePackage } from '@/core/qti/package';
import { UnreadableRoster } from '@/core/roster/read';
import type { Problem } from '@/core/xml/problem';
import { database } from '@/server/db/open';
import { filesAt } from '@/server/library/files';
import { bringRoster } from '@/server/roster/roster';
import { positional, stop } from './arguments';

const inJson = process.argv.includes('--json');

function print(report: RosterReport): void {
  if (inJson) {
    process.stdout.write(`${JSON.stringify(report)}\n`);
    return;
  }
  for (const { severity, file, line, message, code } of report.problems)
    process.stdout.write(
      `${severity === 'error' ? 'refused  ' : 'note     '}  ${file}:${line}  ${message} [${code}]\n`,
    );
  for (const does of ['add', 'change', 'end'] as const) {
    const counts = Object.entries(report[does]).map(([kind, count]) => `${count} ${kind}`);
    process.stdout.write(`${does}: ${counts.length > 0 ? counts.join(', ') : 'nothing'}\n`);
  }
}
const nothing = (problems: readonly Problem[]): RosterReport => ({
  ok: false,
  add: {},
  change: {},
  end: {},
  problems,
});

/** npm run roster -- DIR_OR_ZIP [--apply] [--json]: see docs/commands.md. */
async function main(): Promise<void> {
  const [path] = positional([]);
  if (!path) stop('usage: npm run roster -- DIR_OR_ZIP [--apply] [--json]', 2);
  try {
    const report = await bringRoster(database(), filesAt(path), {
      apply: process.argv.includes('--apply'),
      now: Date.now(),
    });
    print(report);
    process.exitCode = report.ok ? 0 : 1;
  } catch (error) {
    if (!(error instanceof UnreadablePackage || error instanceof UnreadableRoster)) throw error;
    print(nothing(error.problems));
    // An archive that would write outside could be read; it is refused whole.
    process.exitCode = error.problems.some(({ code }) => code === 'bad-path') ? 1 : 2;
  }
}

main().catch((error: unknown) => stop(`nothing was changed: ${String(error)}`, 1));
