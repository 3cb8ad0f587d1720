import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { UnreadablePackage } from '@/core/qti/package';
import { addClass, putIntoClass } from '@/server/accounts/classes';
import { putUser } from '@/server/accounts/users';
import { database, dataDir } from '@/server/db/open';
import { prepared } from '@/server/db/statements';
import { assign } from '@/server/delivery/assignments';
import { offerForPractice } from '@/server/delivery/practice';
import { filesAt } from '@/server/library/files';
import { importPackage } from '@/server/library/library';
import { stop } from './arguments';
import { DEMO_CLASS, DEMO_PEOPLE, DEMO_PRACTICE } from './demoPeople';

/** Fills the database with the demo: every package in content/ through the real importer, and in an empty one people and assignments. */
async function main(): Promise<void> {
  const db = database();
  const before = prepared<[], { count: number }>(db, 'SELECT count(*) AS count FROM users').get()?.count ?? 0;
  const root = join(process.cwd(), 'content');
  const testIds: number[] = [];
  for (const name of readdirSync(root).sort()) {
    const imported = importPackage(db, filesAt(join(root, name)));
    for (const one of imported.problems)
      process.stdout.write(`  ${one.severity}: ${one.file}:${one.line}: ${one.message}\n`);
    process.stdout.write(
      imported.content
        ? `imported ${name}: ${imported.content.items.size} items, ${imported.content.tests.length} tests\n`
        : `${name} is here as it is\n`,
    );
    testIds.push(...imported.testIds);
    for (const testId of imported.testIds) {
      const offer = DEMO_PRACTICE[name];
      if (offer) offerForPractice(db, testId, offer);
    }
  }
  if (before > 0) {
    process.stdout.write(`kept: ${dataDir()} holds ${before} people already\n`);
    return;
  }
  const classId = addClass(db, DEMO_CLASS);
  for (const person of DEMO_PEOPLE) {
    const id = await putUser(db, person);
    if (person.role === 'student' || person.role === 'teacher') putIntoClass(db, classId, id);
    if (person.role === 'student') for (const testId of testIds) assign(db, testId, id, person.given);
  }
  process.stdout.write(`added ${DEMO_PEOPLE.length} people\n`);
}

main().catch((error: unknown) => {
  if (error instanceof UnreadablePackage) stop(error.message, 2);
  throw error;
});
