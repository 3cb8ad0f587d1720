import { ZodError } from 'zod';
import { fromWebAnnotations, toWebAnnotations } from '@/core/annotate/webAnnotation';
import { database } from '@/server/db/open';
import { prepared } from '@/server/db/statements';
import { stateOf } from '@/server/delivery/eventLog';
import { flag, stop } from './arguments';
import { jsonAt, writeJson } from './input';

/** npm run marks -- --attempt ID [--out FILE] | --read FILE: a student's highlights as W3C Web Annotations (docs/commands.md). */
function main(): void {
  const [attempt, out, read] = [flag('attempt'), flag('out'), flag('read')];
  if (read !== undefined) {
    try {
      const marks = fromWebAnnotations(jsonAt(read));
      for (const [text, list] of Object.entries(marks))
        for (const { start, end, exact, colour } of list)
          process.stdout.write(`${text}\t${start}-${end}\t${colour}\t${JSON.stringify(exact)}\n`);
    } catch (error) {
      if (error instanceof ZodError)
        stop(error.issues.map(({ path, message }) => `${read}: ${path.join('.')}: ${message}`).join('\n'), 2);
      if (error instanceof RangeError) stop(`${read}: ${error.message}`, 2);
      throw error;
    }
    return;
  }
  if (attempt === undefined) stop('usage: npm run marks -- --attempt ID [--out FILE] | --read FILE', 2);
  const db = database();
  const known = prepared<[string], { id: string }>(db, 'SELECT id FROM attempts WHERE id = ?').get(attempt);
  if (!known) stop(`there is no attempt "${attempt}"`, 2);
  writeJson(toWebAnnotations(stateOf(db, attempt).highlights, attempt), out);
}

main();
