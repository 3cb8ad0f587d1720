import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { qtiResults } from '@/core/report/qtiResults';
import { flag, stop } from './arguments';
import { inLines, jsonAt, packageAt, writeJson } from './input';
import { BadScript, beginScript, script, takeScript, type Script, type Taken } from './sitScripts';

/** Names of scripts as names of files. @throws BadScript for one that is none, or is there twice */
function fileNames(scripts: readonly Script[]): string[] {
  const names = scripts.map(({ name }) => name);
  for (const [i, name] of names.entries()) {
    if (!/^[^/\\\0]{1,200}$/.test(name) || name.startsWith('.'))
      throw new BadScript(`"${name}" cannot be the name of a results file; name every script`);
    if (names.indexOf(name) < i) throw new BadScript(`two scripts are called "${name}"`);
  }
  return names;
}

/** npm run sit -- --package DIR_OR_ZIP --script FILE.json [--out FILE] [--results DIR]: takes tests without a browser (docs/commands.md). */
function main(): void {
  const [packagePath, scriptPath, out, results] = [
    flag('package'),
    flag('script'),
    flag('out'),
    flag('results'),
  ];
  if (!packagePath || !scriptPath)
    stop('usage: npm run sit -- --package DIR_OR_ZIP --script FILE.json [--out FILE] [--results DIR]', 2);
  const content = packageAt(packagePath);
  const given = jsonAt(scriptPath);
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
  const at = new Date().toISOString();
  try {
    const names = results === undefined ? [] : fileNames(scripts.data);
    const documents = new Map<string, string>();
    taken = scripts.data.map((one, i) => {
      const sitting = beginScript(content, one);
      const what = takeScript(content, one, sitting);
      const [name = ''] = names.slice(i);
      if (results !== undefined)
        documents.set(
          `${name}.xml`,
          qtiResults(sitting, {
            candidate: name,
            sessions: [{ source: 'able-compass', identifier: one.seed === '' ? name : one.seed }],
            at,
          }),
        );
      return what;
    });
    if (results !== undefined) {
      mkdirSync(results, { recursive: true });
      for (const [file, document] of documents) writeFileSync(join(results, file), document);
    }
  } catch (error) {
    if (error instanceof BadScript) {
      const refused = content.problems.filter((one) => one.severity === 'error');
      return stop([error.message, inLines(refused)].join('\n'), 2);
    }
    throw error;
  }
  writeJson(taken, out);
}

main();
