import { flag, stop } from './arguments';
import { jsonAt, packageAt, writeJson } from './input';
import { scoreRows } from './scoreRows';

/** npm run score -- --package DIR_OR_ZIP --responses FILE.json [--out FILE]: see items.md, "Command line". */
function main(): void {
  const [packagePath, responsesPath, out] = [flag('package'), flag('responses'), flag('out')];
  if (!packagePath || !responsesPath)
    stop('usage: npm run score -- --package DIR_OR_ZIP --responses FILE.json [--out FILE]', 2);
  const content = packageAt(packagePath);
  const rows = jsonAt(responsesPath);
  if (!Array.isArray(rows)) return stop(`${responsesPath} does not hold a list`, 2);
  writeJson(scoreRows(content, rows), out);
}

main();
