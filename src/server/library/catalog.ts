import type {
  LibraryPackage,
  LibraryQuestion,
  LibraryTest,
  LibraryVersion,
  TestInLibrary,
} from '@/core/wire/library';
import { interactionsOf } from '@/core/content/content';
import type { Item } from '@/core/item/item';
import { itemRefsOf } from '@/core/item/test';
import { maximumScore, scoredBy } from '@/core/processing/score';
import { drawForm, questionsOf } from '@/core/sitting/form';
import type { Problem } from '@/core/xml/problem';
import { requireAct } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { IS_USED, loadOutline, loadTest, type TestContent } from './library';

interface VersionRow {
  readonly packageId: number;
  readonly identifier: string;
  readonly importedAt: number;
  readonly items: number;
  readonly problems: string;
  readonly sources: number;
  readonly used: number;
}
interface TestRow {
  readonly testId: number;
  readonly packageId: number;
  readonly title: string;
  readonly importedAt: number;
  readonly given: number;
  readonly attempts: number;
}

/** Tests with how often they are given and were taken; who tries one out, or practices, is not counted. */
const TESTS = `SELECT t.id AS testId, t.package_id AS packageId, t.title, p.imported_at AS importedAt,
    (SELECT count(*) FROM assignments a JOIN users u ON u.id = a.user_id WHERE a.test_id = t.id AND u.guest = 0
       AND NOT EXISTS (SELECT 1 FROM attempts x WHERE x.assignment_id = a.id)) AS given,
    (SELECT count(*) FROM attempts x JOIN users u ON u.id = x.user_id WHERE x.test_id = t.id AND u.guest = 0) AS attempts
  FROM tests t JOIN packages p ON p.id = t.package_id`;

function toTest(db: Db, { testId, title, given, attempts }: TestRow): LibraryTest {
  const test = loadOutline(db, testId);
  return {
    testId,
    title,
    given,
    attempts,
    language: test?.language ?? null,
    questions: test ? questionsOf(drawForm(test, '')).length : 0,
  };
}

/** Every package that is here, what came last first, each with its versions. @throws Refusal `not-yours` */
export function libraryOf(db: Db, by: User): LibraryPackage[] {
  requireAct(by, 'keep-library');
  const tests = prepared<[], TestRow>(db, `${TESTS} ORDER BY t.title, t.id`).all();
  const rows = prepared<[], VersionRow>(
    db,
    `SELECT p.id AS packageId, p.identifier, p.imported_at AS importedAt, p.problems, ${IS_USED} AS used,
       (SELECT count(*) FROM items i WHERE i.package_id = p.id) AS items,
       EXISTS (SELECT 1 FROM sources s WHERE s.package_id = p.id) AS sources
     FROM packages p WHERE p.complete = 1 ORDER BY p.imported_at DESC, p.id DESC`,
  ).all();
  const byPackage = new Map<string, LibraryVersion[]>();
  for (const { packageId, identifier, importedAt, items, problems, sources, used } of rows) {
    const versions = byPackage.get(identifier) ?? [];
    versions.push({
      packageId,
      importedAt,
      items,
      tests: tests.filter((one) => one.packageId === packageId).map((one) => toTest(db, one)),
      problems: JSON.parse(problems) as Problem[],
      hasSources: sources === 1,
      unused: used === 0,
    });
    byPackage.set(identifier, versions);
  }
  return [...byPackage].map(([identifier, versions]) => ({ identifier, versions }));
}

/** A test of the library. @throws Refusal `not-yours`, `not-found` */
export function testContent(db: Db, by: User, testId: number): TestContent {
  requireAct(by, 'keep-library');
  const content = loadTest(db, testId);
  if (!content) throw new Refusal('not-found', 404);
  return content;
}

/** How a question stands in a list. */
export const listed = (ref: string, item: Item): LibraryQuestion => ({
  ref,
  title: item.title,
  kinds: [...new Set(interactionsOf(item.body).map(({ type }) => type))],
  points: maximumScore(item),
  scoredBy: scoredBy(item),
});

/** A test with its questions, in the order in which it names them. @throws Refusal `not-yours`, `not-found` */
export function testInLibrary(db: Db, by: User, testId: number): TestInLibrary {
  const { test, items } = testContent(db, by, testId);
  const row = prepared<[number], TestRow>(db, `${TESTS} WHERE t.id = ?`).get(testId);
  if (!row) throw new Refusal('not-found', 404);
  return {
    ...toTest(db, row),
    importedAt: row.importedAt,
    list: itemRefsOf(test).flatMap((ref) => {
      const item = items.get(ref.item);
      return item ? [listed(ref.identifier, item)] : [];
    }),
  };
}
