import { readPackage, UnreadablePackage } from '@/core/qti/package';
import type { Problem } from '@/core/xml/problem';
import { filesAt } from '@/server/library/files';
import { positional, stop } from './arguments';

const line = (one: Problem) =>
  `${one.severity === 'error' ? 'refused' : 'set aside'}  ${one.file}:${one.line}  ${one.message} [${one.code}]`;

/** npm run package:check -- DIR_OR_ZIP [--json]: the import report alone. Exit 0 deliverable, 1 not, 2 unreadable. */
function main(): void {
  const [path] = positional([]);
  const json = process.argv.includes('--json');
  if (!path) stop('usage: npm run package:check -- DIR_OR_ZIP [--json]', 2);
  const report = (deliverable: boolean, items: number, tests: number, problems: readonly Problem[]) => {
    if (json) {
      process.stdout.write(`${JSON.stringify({ deliverable, items, tests, problems }, null, 2)}\n`);
      return;
    }
    for (const problem of problems) process.stdout.write(`${line(problem)}\n`);
    process.stdout.write(
      `${items} items and ${tests} tests can be delivered; ${deliverable ? 'nothing is refused' : 'something is refused'}\n`,
    );
  };
  try {
    const content = readPackage(filesAt(path));
    const deliverable = !content.problems.some((one) => one.severity === 'error');
    report(deliverable, content.items.size, content.tests.length, content.problems);
    process.exitCode = deliverable ? 0 : 1;
  } catch (error) {
    if (!(error instanceof UnreadablePackage)) throw error;
    report(false, 0, 0, error.problems);
    process.exitCode = 2;
  }
}

main();
