import type { Item, Stimulus } from '@/core/item/item';
import type { Test } from '@/core/item/test';
import { readPackage, type PackageFiles, type QtiPackage } from '@/core/qti/package';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { mediaTypeOf } from './mediaTypes';

/** What an import did. */
export interface Imported {
  readonly packageId: number;
  readonly testIds: readonly number[];
  readonly content: QtiPackage;
}

/**
 * Reads a package and keeps what can be delivered, all or nothing. Importing an identifier again replaces its items; tests
 * keep their number, so that assignments stay.
 * @throws UnreadablePackage when there is no readable manifest
 */
export function importPackage(db: Db, files: PackageFiles): Imported {
  const content = readPackage(files);
  return db
    .transaction((): Imported => {
      const row = prepared<[string, number, string], { id: number }>(
        db,
        `INSERT INTO packages (identifier, imported_at, problems) VALUES (?, ?, ?)
         ON CONFLICT (identifier) DO UPDATE SET imported_at = excluded.imported_at, problems = excluded.problems RETURNING id`,
      ).get(content.identifier, Date.now(), JSON.stringify(content.problems));
      if (!row) throw new Error('the database returned no id for a package');
      const packageId = row.id;
      for (const table of ['items', 'stimuli', 'assets'])
        prepared(db, `DELETE FROM ${table} WHERE package_id = ?`).run(packageId);
      const putModel = (table: 'items' | 'stimuli', identifier: string, model: Item | Stimulus) =>
        prepared(db, `INSERT INTO ${table} (package_id, identifier, model) VALUES (?, ?, ?)`).run(
          packageId,
          identifier,
          JSON.stringify(model),
        );
      for (const [identifier, item] of content.items) putModel('items', identifier, item);
      for (const [identifier, stimulus] of content.stimuli) putModel('stimuli', identifier, stimulus);
      for (const path of content.assets) {
        const mediaType = mediaTypeOf(path);
        if (mediaType === null) continue;
        prepared(db, 'INSERT INTO assets (package_id, path, media_type, bytes) VALUES (?, ?, ?, ?)').run(
          packageId,
          path,
          mediaType,
          Buffer.from(files.read(path)),
        );
      }
      const testIds = content.tests.map((test) => putTest(db, packageId, test));
      return { packageId, testIds, content };
    })
    .immediate();
}

function putTest(db: Db, packageId: number, test: Test): number {
  const row = prepared<[number, string, string, string], { id: number }>(
    db,
    `INSERT INTO tests (package_id, identifier, title, model) VALUES (?, ?, ?, ?)
     ON CONFLICT (package_id, identifier) DO UPDATE SET title = excluded.title, model = excluded.model RETURNING id`,
  ).get(packageId, test.identifier, test.title, JSON.stringify(test));
  if (!row) throw new Error('the database returned no id for a test');
  return row.id;
}

/** A test with everything it is made of. */
export interface TestContent {
  readonly id: number;
  readonly packageId: number;
  readonly test: Test;
  readonly items: ReadonlyMap<string, Item>;
  readonly stimuli: ReadonlyMap<string, Stimulus>;
}

const loaded = new WeakMap<Db, Map<string, TestContent>>();

/** A test from the library, kept in memory until its package is imported again. */
export function loadTest(db: Db, testId: number): TestContent | null {
  const row = prepared<[number], { package_id: number; model: string; imported_at: number }>(
    db,
    'SELECT t.package_id, t.model, p.imported_at FROM tests t JOIN packages p ON p.id = t.package_id WHERE t.id = ?',
  ).get(testId);
  if (!row) return null;
  const cache = loaded.get(db) ?? new Map<string, TestContent>();
  loaded.set(db, cache);
  const key = `${testId}@${row.imported_at}`;
  const known = cache.get(key);
  if (known) return known;
  const models = <T>(table: 'items' | 'stimuli') =>
    new Map(
      prepared<[number], { identifier: string; model: string }>(
        db,
        `SELECT identifier, model FROM ${table} WHERE package_id = ?`,
      )
        .all(row.package_id)
        .map(({ identifier, model }) => [identifier, JSON.parse(model) as T]),
    );
  const content: TestContent = {
    id: testId,
    packageId: row.package_id,
    test: JSON.parse(row.model) as Test,
    items: models<Item>('items'),
    stimuli: models<Stimulus>('stimuli'),
  };
  cache.clear();
  cache.set(key, content);
  return content;
}

/** A picture, sound or file of a package. */
export function loadAsset(
  db: Db,
  packageId: number,
  path: string,
): { mediaType: string; bytes: Buffer } | null {
  const row = prepared<[number, string], { media_type: string; bytes: Buffer }>(
    db,
    'SELECT media_type, bytes FROM assets WHERE package_id = ? AND path = ?',
  ).get(packageId, path);
  return row ? { mediaType: row.media_type, bytes: row.bytes } : null;
}
