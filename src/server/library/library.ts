import { createHash } from 'node:crypto';
import type { Item, Stimulus } from '@/core/item/item';
import type { Test } from '@/core/item/test';
import { readPackage, type PackageFiles, type QtiPackage } from '@/core/qti/package';
import type { Problem } from '@/core/xml/problem';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { mediaTypeOf } from './mediaTypes';
import { MODEL_VERSION, readStored } from './stored';

/** What an import did. */
export interface Imported {
  readonly packageId: number;
  readonly testIds: readonly number[];
  /** What was read; null when this very content was here already and nothing was done. */
  readonly content: QtiPackage | null;
  readonly problems: readonly Problem[];
}

/** A fingerprint of the files: every path with what is in it. */
function contentHash(files: PackageFiles): string {
  const whole = createHash('sha256');
  for (const path of [...files.paths].sort())
    whole.update(`${path}\0${createHash('sha256').update(files.read(path)).digest('hex')}\n`);
  return whole.digest('hex');
}

interface PackageRow {
  readonly id: number;
  readonly identifier: string;
  readonly model_version: number;
  readonly problems: string;
}

const testIdsOf = (db: Db, packageId: number): number[] =>
  prepared<[number], { id: number }>(db, 'SELECT id FROM tests WHERE package_id = ? ORDER BY id')
    .all(packageId)
    .map(({ id }) => id);

/**
 * Reads a package and keeps what can be delivered, all or nothing, as a version of its own that never changes. The same content
 * again is found again. What is assigned and not begun is given in the newest version; attempts stay with theirs.
 * @throws UnreadablePackage when there is no readable manifest
 */
export function importPackage(db: Db, files: PackageFiles, now = Date.now()): Imported {
  const hash = contentHash(files);
  const known = prepared<[string], PackageRow>(
    db,
    'SELECT id, identifier, model_version, problems FROM packages WHERE content_hash = ?',
  ).get(hash);
  if (known?.model_version === MODEL_VERSION) {
    const testIds = testIdsOf(db, known.id);
    db.transaction(() => {
      prepared(db, 'UPDATE packages SET imported_at = ? WHERE id = ?').run(now, known.id);
      moveAssignments(db, known.identifier, known.id);
    }).immediate();
    return {
      packageId: known.id,
      testIds,
      content: null,
      problems: JSON.parse(known.problems) as Problem[],
    };
  }
  const content = readPackage(files);
  return db
    .transaction((): Imported => {
      const packageId = known ? renew(db, known.id, content, now) : add(db, content, hash, now);
      const putModel = (table: 'items' | 'stimuli', identifier: string, model: Item | Stimulus) =>
        prepared(
          db,
          `INSERT INTO ${table} (package_id, identifier, model) VALUES (?, ?, ?)
           ON CONFLICT (package_id, identifier) DO UPDATE SET model = excluded.model`,
        ).run(packageId, identifier, JSON.stringify(model));
      for (const [identifier, item] of content.items) putModel('items', identifier, item);
      for (const [identifier, stimulus] of content.stimuli) putModel('stimuli', identifier, stimulus);
      for (const path of content.assets) {
        const mediaType = mediaTypeOf(path);
        if (mediaType === null) continue;
        prepared(
          db,
          'INSERT INTO assets (package_id, path, media_type, bytes) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
        ).run(packageId, path, mediaType, Buffer.from(files.read(path)));
      }
      const testIds = content.tests.map((test) => putTest(db, packageId, test));
      moveAssignments(db, content.identifier, packageId);
      loaded.get(db)?.clear();
      return { packageId, testIds, content, problems: content.problems };
    })
    .immediate();
}

function add(db: Db, content: QtiPackage, hash: string, now: number): number {
  const row = prepared<[string, string, number, number, string], { id: number }>(
    db,
    'INSERT INTO packages (identifier, content_hash, model_version, imported_at, problems) VALUES (?, ?, ?, ?, ?) RETURNING id',
  ).get(content.identifier, hash, MODEL_VERSION, now, JSON.stringify(content.problems));
  if (!row) throw new Error('the database returned no id for a package');
  return row.id;
}

/** The same files, read by a newer reader: the models are brought up to it, the version stays the same. */
function renew(db: Db, id: number, content: QtiPackage, now: number): number {
  prepared(db, 'UPDATE packages SET model_version = ?, imported_at = ?, problems = ? WHERE id = ?').run(
    MODEL_VERSION,
    now,
    JSON.stringify(content.problems),
    id,
  );
  return id;
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

/** What is assigned and not begun is given in this version, where it has the test still. */
function moveAssignments(db: Db, identifier: string, packageId: number): void {
  prepared(
    db,
    `UPDATE OR IGNORE assignments SET test_id = newer.id
     FROM tests older JOIN packages p ON p.id = older.package_id
     JOIN tests newer ON newer.package_id = ? AND newer.identifier = older.identifier
     WHERE assignments.test_id = older.id AND p.identifier = ? AND older.package_id <> newer.package_id
       AND NOT EXISTS (SELECT 1 FROM attempts WHERE attempts.assignment_id = assignments.id)`,
  ).run(packageId, identifier);
}

/**
 * Takes a version out of the library.
 * @throws Refusal `in-use` while attempts or assignments hang on it
 */
export function deletePackage(db: Db, packageId: number): void {
  db.transaction(() => {
    const used = prepared<[number, number], { one: number }>(
      db,
      `SELECT 1 AS one FROM tests t WHERE t.package_id = ? AND EXISTS (SELECT 1 FROM attempts WHERE test_id = t.id)
       UNION SELECT 1 FROM tests t JOIN assignments a ON a.test_id = t.id WHERE t.package_id = ?`,
    ).get(packageId, packageId);
    if (used) throw new Refusal('in-use', 409);
    prepared(db, 'DELETE FROM packages WHERE id = ?').run(packageId);
  }).immediate();
  loaded.get(db)?.clear();
}

/** A test with everything it is made of. */
export interface TestContent {
  readonly id: number;
  readonly packageId: number;
  readonly test: Test;
  readonly items: ReadonlyMap<string, Item>;
  readonly stimuli: ReadonlyMap<string, Stimulus>;
}

/** Tests kept in memory; the one used longest ago goes first. */
const KEPT_TESTS = 40;
const loaded = new WeakMap<Db, Map<number, TestContent>>();

/**
 * A test from the library. Versions do not change, so it is kept in memory.
 * @throws UnreadableModel when the database holds something this program did not write
 */
export function loadTest(db: Db, testId: number): TestContent | null {
  const cache = loaded.get(db) ?? new Map<number, TestContent>();
  loaded.set(db, cache);
  const known = cache.get(testId);
  if (known) {
    cache.delete(testId);
    cache.set(testId, known);
    return known;
  }
  const row = prepared<
    [number],
    { package_id: number; identifier: string; model: string; model_version: number }
  >(
    db,
    `SELECT t.package_id, t.identifier, t.model, p.model_version FROM tests t JOIN packages p ON p.id = t.package_id WHERE t.id = ?`,
  ).get(testId);
  if (!row) return null;
  const models = <Kind extends 'item' | 'stimulus'>(kind: Kind, table: 'items' | 'stimuli') =>
    new Map(
      prepared<[number], { identifier: string; model: string }>(
        db,
        `SELECT identifier, model FROM ${table} WHERE package_id = ?`,
      )
        .all(row.package_id)
        .map(({ identifier, model }) => [identifier, readStored(kind, identifier, model, row.model_version)]),
    );
  const content: TestContent = {
    id: testId,
    packageId: row.package_id,
    test: readStored('test', row.identifier, row.model, row.model_version),
    items: models('item', 'items'),
    stimuli: models('stimulus', 'stimuli'),
  };
  cache.set(testId, content);
  const [oldest] = cache.keys();
  if (cache.size > KEPT_TESTS && oldest !== undefined) cache.delete(oldest);
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
