import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { itemRefsOf } from '@/core/item/test';
import { filesFrom } from '@/core/qti/testItem';
import { exportPackage } from '@/core/qti/exportPackage';
import type { User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { filesAt } from './files';
import { deletePackage, filesOfVersion, importPackage, loadAsset, loadTest } from './library';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const SVG = '<svg xmlns="http://www.w3.org/2000/svg"/>';
/** A package with a test of these items, each saying its word. */
const packageOf = (words: Readonly<Record<string, string>>, title = 'Tides') =>
  filesFrom({
    'imsmanifest.xml':
      '<manifest identifier="shore"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
    'test.xml': `<qti-assessment-test ${NS} identifier="t" title="${title}"><qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous"><qti-assessment-section identifier="s" title="s" visible="true">${Object.keys(
      words,
    )
      .map((one) => `<qti-assessment-item-ref identifier="${one}" href="${one}.xml"/>`)
      .join('')}</qti-assessment-section></qti-test-part></qti-assessment-test>`,
    ...Object.fromEntries(
      Object.entries(words).map(([one, word]) => [
        `${one}.xml`,
        `<qti-assessment-item ${NS} identifier="${one}" title="t"><qti-item-body><p>${word} <img src="map.svg" alt="map"/></p></qti-item-body></qti-assessment-item>`,
      ]),
    ),
    'map.svg': SVG,
    'secret.txt': 'not used by any item',
  });

/** Somebody who keeps the library. */
const KEEPER = { id: 0, role: 'administrator' } as User;

let folder: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'able-library-'));
  db = openDatabase(join(folder, 'test.sqlite'));
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

test('a package is kept with its tests, items and the files they use, and no others', () => {
  const { testIds, packageId } = importPackage(db, packageOf({ a: 'ebb', b: 'flow' }));
  const content = loadTest(db, testIds[0] ?? 0);
  expect(content?.test.title).toBe('Tides');
  expect([...(content?.items.keys() ?? [])]).toEqual(['a', 'b']);
  expect(loadAsset(db, packageId, 'map.svg')).toEqual({
    mediaType: 'image/svg+xml',
    bytes: Buffer.from(SVG),
  });
  expect(loadAsset(db, packageId, 'secret.txt')).toBeNull();
  expect(loadAsset(db, packageId, '../test.sqlite')).toBeNull();
  expect(loadTest(db, 999)).toBeNull();
});

test('importing other content is another version, beside the first; the same content is found again', () => {
  const first = importPackage(db, packageOf({ a: 'ebb', b: 'flow' }));
  const second = importPackage(db, packageOf({ a: 'spring tide', c: 'neap' }, 'Tides, again'));
  expect(second.packageId).not.toBe(first.packageId);
  const [before, after] = [loadTest(db, first.testIds[0] ?? 0), loadTest(db, second.testIds[0] ?? 0)];
  expect([before?.test.title, after?.test.title]).toEqual(['Tides', 'Tides, again']);
  expect(after && itemRefsOf(after.test).map((ref) => ref.identifier)).toEqual(['a', 'c']);
  expect(JSON.stringify(before?.items.get('a'))).toContain('ebb');
  expect(importPackage(db, packageOf({ a: 'ebb', b: 'flow' }))).toMatchObject({
    packageId: first.packageId,
    testIds: first.testIds,
    content: null,
  });
});

test('two tests are kept in memory side by side, and a version nobody uses can be deleted', () => {
  const first = importPackage(db, packageOf({ a: 'ebb' }));
  const second = importPackage(db, packageOf({ a: 'flow' }));
  const [one, two] = [loadTest(db, first.testIds[0] ?? 0), loadTest(db, second.testIds[0] ?? 0)];
  expect(loadTest(db, first.testIds[0] ?? 0)).toBe(one);
  expect(loadTest(db, second.testIds[0] ?? 0)).toBe(two);
  deletePackage(db, KEEPER, first.packageId);
  expect(loadTest(db, first.testIds[0] ?? 0)).toBeNull();
});

test('a stored model that this program did not write is named, not guessed at', () => {
  const { testIds } = importPackage(db, packageOf({ a: 'ebb' }));
  db.prepare("UPDATE items SET model = json_remove(model, '$.outcomes')").run();
  expect(() => loadTest(db, testIds[0] ?? 0)).toThrow(/item a in the library cannot be read: outcomes/);
});

test('a package that cannot be read leaves the library as it was', () => {
  const { testIds } = importPackage(db, packageOf({ a: 'ebb' }));
  expect(() => importPackage(db, filesFrom({ 'imsmanifest.xml': '<manifest' }))).toThrow();
  expect(loadTest(db, testIds[0] ?? 0)?.items.size).toBe(1);
});

test.each([
  'skerry-sound-grade-6',
  'skerry-sound-crossing',
  'skerry-sound-working',
  'every-kind-of-question',
])('%s: all its files are kept, and it is written out as the package itself would be', (name) => {
  const files = filesAt(`content/${name}`);
  const { packageId } = importPackage(db, files);
  const kept = filesOfVersion(db, packageId);
  expect([...kept.paths].sort()).toEqual([...files.paths].sort());
  const inText = (written: ReadonlyMap<string, Uint8Array>) =>
    [...written].map(([path, bytes]) => [path, Buffer.from(bytes).toString('base64')]);
  expect(inText(exportPackage(kept).written)).toEqual(inText(exportPackage(files).written));
});

test('a version from before its files were kept says so, and has them once its package is brought again', () => {
  const files = packageOf({ a: 'ebb' });
  const { packageId } = importPackage(db, files);
  db.prepare('DELETE FROM sources').run();
  expect(() => filesOfVersion(db, packageId)).toThrow('no-sources');
  importPackage(db, files);
  expect(filesOfVersion(db, packageId).paths).toEqual(files.paths);
  expect(() => filesOfVersion(db, 999)).toThrow('not-found');
});

test('a version that is not all there yet is of no library, and one that was cut off is brought anew', () => {
  const files = packageOf({ a: 'ebb' });
  const { packageId } = importPackage(db, files);
  db.prepare('UPDATE packages SET complete = 0').run();
  db.prepare('DELETE FROM tests').run();
  expect(() => filesOfVersion(db, packageId)).toThrow('not-found');
  expect(() => deletePackage(db, KEEPER, packageId)).toThrow('not-found');
  const again = importPackage(db, files);
  expect(again.content).not.toBeNull();
  expect(loadTest(db, again.testIds[0] ?? 0)?.items.size).toBe(1);
  expect(db.prepare('SELECT count(*) AS count FROM packages').get()).toEqual({ count: 1 });
});

test('a package that cannot be written down leaves nothing of itself', () => {
  db.exec("CREATE TRIGGER full BEFORE INSERT ON tests BEGIN SELECT RAISE(ABORT, 'full'); END");
  expect(() => importPackage(db, packageOf({ a: 'ebb' }))).toThrow('full');
  for (const table of ['packages', 'assets', 'sources', 'items'])
    expect(db.prepare(`SELECT count(*) AS count FROM ${table}`).get()).toEqual({ count: 0 });
});

test('what is offered for practice is practiced in the newest version, and keeps that one from being deleted', () => {
  const first = importPackage(db, packageOf({ a: 'ebb' }));
  db.prepare("INSERT INTO practice (test_id, grade, subject) VALUES (?, '6', 'Tides')").run(first.testIds[0]);
  const second = importPackage(db, packageOf({ a: 'flow' }));
  expect(db.prepare('SELECT test_id AS testId FROM practice').all()).toEqual([{ testId: second.testIds[0] }]);
  expect(() => deletePackage(db, KEEPER, second.packageId)).toThrow('in-use');
  deletePackage(db, KEEPER, first.packageId);
  expect(() => deletePackage(db, { ...KEEPER, role: 'proctor' }, second.packageId)).toThrow('not-yours');
});
