import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { UnreadablePackage } from '@/core/qti/package';
import { addClass, putIntoClass } from '@/server/accounts/classes';
import { putUser } from '@/server/accounts/users';
import { database, dataDir, type Db } from '@/server/db/open';
import { prepared } from '@/server/db/statements';
import { assign } from '@/server/delivery/assignments';
import { offerForPractice } from '@/server/delivery/practice';
import { filesAt } from '@/server/library/files';
import { importPackage, loadTest } from '@/server/library/library';
import { stop } from './arguments';
import { DEMO_OTHER_CLASS, takeTogether } from './demoClass';
import { DEMO_CLASS, DEMO_NOT_GIVEN, DEMO_PEOPLE, DEMO_PRACTICE, DEMO_TAKEN } from './demoPeople';

/** Fills the database with the demo: every package in content/ through the real importer, and in an empty one people and assignments. */
async function main(): Promise<void> {
  const db = database();
  const before = prepared<[], { count: number }>(db, 'SELECT count(*) AS count FROM users').get()?.count ?? 0;
  const root = join(process.cwd(), 'content');
  const testIds: number[] = [];
  const byFolder = new Map<string, readonly number[]>();
  const notGiven = new Set<number>();
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
    byFolder.set(name, imported.testIds);
    if (DEMO_NOT_GIVEN.has(name)) for (const testId of imported.testIds) notGiven.add(testId);
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
  let sten = 0;
  for (const person of DEMO_PEOPLE) {
    const id = await putUser(db, person);
    if (person.role === 'student' || person.signInName === 'petra') putIntoClass(db, classId, id);
    if (person.signInName === 'sten') sten = id;
    if (person.role === 'student')
      for (const testId of testIds) if (!notGiven.has(testId)) assign(db, testId, id, person.given);
    for (const folder of person.practices ?? [])
      for (const testId of byFolder.get(folder) ?? []) assign(db, testId, id, { practice: true, times: 5 });
  }
  await addOtherClass(db, sten, testIds);
  process.stdout.write(
    `added ${DEMO_PEOPLE.length} people, and a class of ${DEMO_OTHER_CLASS.students.length}\n`,
  );
}

/** A class that has taken its tests last week, so that there are results to look at. */
async function addOtherClass(db: Db, teacher: number, testIds: readonly number[]): Promise<void> {
  const classId = addClass(db, DEMO_OTHER_CLASS.title);
  putIntoClass(db, classId, teacher);
  const taken = testIds.filter((id) => DEMO_TAKEN.includes(loadTest(db, id)?.test.identifier ?? ''));
  const students: number[] = [];
  for (const { name, signInName } of DEMO_OTHER_CLASS.students) {
    const id = await putUser(db, { signInName, displayName: name, role: 'student' });
    putIntoClass(db, classId, id);
    for (const testId of taken) assign(db, testId, id, { held: true });
    students.push(id);
  }
  await takeTogether(db, students, Date.now() - WEEK_MS);
}
const WEEK_MS = 7 * 24 * 3_600_000;

main().catch((error: unknown) => {
  if (error instanceof UnreadablePackage) stop(error.message, 2);
  throw error;
});
