import { readFileSync, writeFileSync } from 'node:fs';
import { readPackage, UnreadablePackage, type QtiPackage } from '@/core/qti/package';
import { filesAt } from '@/server/library/files';
import { flag, stop } from './arguments';
import { scoreRows } from './scoreRows';

/** npm run score -- --package DIR_OR_ZIP --responses FILE.json [--out FILE]: see items.md, "Command line". */
function main(): void {
  const [packagePath, responsesPath, out] = [flag('package'), flag('responses'), flag('out')];
  if (!packagePath || !responsesPath) {
    stop('usage: npm run score -- --package DIR_OR_ZIP --responses FILE.json [--out FILE]', 2);
  }
  let content: QtiPackage;
  try {
    content = readPackage(filesAt(packagePath));
  } catch (error) {
    if (!(error instanceof UnreadablePackage)) throw error;
    return stop(error.problems.map((one) => `${one.file}:${one.line}: ${one.message}`).join('\n'), 2);
  }
  let rows: unknown;
  try {
    rows = JSON.parse(readFileSync(responsesPath, 'utf8'));
  } catch (error) {
    return stop(
      `${responsesPath} cannot be read as JSON: ${error instanceof Error ? error.message : String(error)}`,
      2,
    );
  }
  if (!Array.isArray(rows)) return stop(`${responsesPath} does not hold a list`, 2);
  const text = `${JSON.stringify(scoreRows(content, rows), null, 2)}\n`;
  if (out) writeFileSync(out, text);
  else process.stdout.write(text);
}

main();
