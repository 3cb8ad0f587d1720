import { readFileSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { UnreadablePackage, readPackage, type QtiPackage } from '@/core/qti/package';
import { filesAt } from '@/server/library/files';
import { flag, stop } from './arguments';
import { BadScript, script, takeScript, type Taken } from './sitScripts';

/** npm run sit -- --package DIR_OR_ZIP --script FILE.json [--out FILE]: takes tests without a browser (docs/commands.md). */
function main(): void {
  const [packagePath, scriptPath, out] = [flag('package'), flag('script'), flag('out')];
  if (!packagePath || !scriptPath)
    stop('usage: npm run sit -- --package DIR_OR_ZIP --script FILE.json [--out FILE]', 2);
  let content: QtiPackage;
  try {
    content = readPackage(filesAt(packagePath));
  } catch (error) {
    if (!(error instanceof UnreadablePackage)) throw error;
    return stop(error.problems.map((one) => `${one.file}:${one.line}: ${one.message}`).join('\n'), 2);
  }
  let given: unknown;
  try {
    given = JSON.parse(readFileSync(scriptPath, 'utf8'));
  } catch (error) {
    return stop(
      `${scriptPath} cannot be read as JSON: ${error instanceof Error ? error.message : String(error)}`,
      2,
    );
  }
  const scripts = z.array(script).safeParse(given);
  if (!scripts.success)
    return stop(
      scripts.error.issues
        .slice(0, 20)
        .map((issue) => `${scriptPath}: ${issue.path.join('.')}: ${issue.message}`)
        .join('\n'),
      2,
    );
  let taken: Taken[];
  try {
    taken = scripts.data.map((one) => takeScript(content, one));
  } catch (error) {
    if (error instanceof BadScript) {
      const refused = content.problems.filter((one) => one.severity === 'error');
      return stop(
        [error.message, ...refused.map((one) => `${one.file}:${one.line}: ${one.message}`)].join('\n'),
        2,
      );
    }
    throw error;
  }
  const text = `${JSON.stringify(taken, null, 2)}\n`;
  if (out) writeFileSync(out, text);
  else process.stdout.write(text);
}

main();
