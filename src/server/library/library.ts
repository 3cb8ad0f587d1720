import { createHash } from 'node:crypto';
import type { Item, Stimulus } from '@/core/item/item';
import type { Test } from '@/core/item/test';
import { readPackage, type PackageFiles, type QtiPackage } from '@/core/qti/package';
import type { Problem } from '@/core/xml/problem';
import { requireAct } from '../accounts/access';
import { forgetGuest } from '../accounts/guests';
import type { User } from '../accounts/users';
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
export function contentHash(files: PackageFiles): string {
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

/** Bytes of a package's files that are written at once: whoever saves an answer meanwhile waits no longer than that takes. */
const PIECE = 4_000_000;

/** An import that was not finished after so long was cut off. */
const CUT_OFF_MS = 3_600_000;

/**
 * Reads a package and keeps what can be delivered, all or nothing, as a version of its own that never changes. The same content
 * again is found again. What is assigned and not begun is given in the newest version; attempts stay with theirs.
 * Its files are written piece by piece, so that others can write between; it is of the library once all are there.
 * @throws UnreadablePackage when there is no readable manifest
 */
export function importPackage(db: Db, files: PackageFiles, now = Date.now()): Imported {
  const hash = contentHash(files);
  prepared(db, 'DELETE FROM packages WHERE complete = 0 AND (content_hash = ? OR imported_at < ?)').run(
    hash,
    now - CUT_OFF_MS,
  );
  const known = prepared<[string], PackageRow>(
    db,
    'SELECT id, identifier, model_version, problems FROM packages WHERE content_hash = ?',
  ).get(hash);
  if (known?.model_version === MODEL_VERSION) {
    keepFiles(db, known.id, 'sources', sourcesOf(db, known.id, files));
    const testIds = testIdsOf(db, known.id);
    db.transaction(() => {
      prepared(db, 'UPDATE packages SET imported_at = ? WHERE id = ?').run(now, known.id);
      moveToNewest(db, known.identifier, known.id);
    }).immediate();
    return {
      packageId: known.id,
      testIds,
      content: null,
      problems: JSON.parse(known.problems) as Problem[],
    };
  }
  const content = readPackage(files);
  const packageId = known?.id ?? add(db, content, hash, now);
  try {
    keepFiles(db, packageId, 'assets', assetsOf(files, content));
    keepFiles(db, packageId, 'sources', sourcesOf(db, packageId, files));
    return db.transaction(() => putModels(db, packageId, content, now)).immediate();
  } catch (error) {
    if (!known) prepared(db, 'DELETE FROM packages WHERE id = ?').run(packageId);
    throw error;
  }
}

/** What was read of a package is in, and it is of the library. */
function putModels(db: Db, packageId: number, content: QtiPackage, now: number): Imported {
  const putModel = (table: 'items' | 'stimuli', identifier: string, model: Item | Stimulus) =>
    prepared(
      db,
      `INSERT INTO ${table} (package_id, identifier, model) VALUES (?, ?, ?)
       ON CONFLICT (package_id, identifier) DO UPDATE SET model = excluded.model`,
    ).run(packageId, identifier, JSON.stringify(model));
  for (const [identifier, item] of content.items) putModel('items', identifier, item);
  for (const [identifier, stimulus] of content.stimuli) putModel('stimuli', identifier, stimulus);
  const testIds = content.tests.map((test) => putTest(db, packageId, test));
  prepared(
    db,
    'UPDATE packages SET complete = 1, model_version = ?, imported_at = ?, problems = ? WHERE id = ?',
  ).run(MODEL_VERSION, now, JSON.stringify(content.problems), packageId);
  moveToNewest(db, content.identifier, packageId);
  loaded.get(db)?.clear();
  return { packageId, testIds, content, problems: content.problems };
}

/** A file as it is kept: of an asset also what it is. */
type KeptFile = readonly [path: string, bytes: Uint8Array, mediaType: string];

function* assetsOf(files: PackageFiles, content: QtiPackage): Generator<KeptFile> {
  for (const path of content.assets) {
    const mediaType = mediaTypeOf(path);
    if (mediaType !== null) yield [path, files.read(path), mediaType];
  }
}
/** Everything else there is in it. */
function* sourcesOf(db: Db, packageId: number, files: PackageFiles): Generator<KeptFile> {
  const assets = new Set(pathsIn(db, 'assets', packageId));
  for (const path of files.paths) if (!assets.has(path)) yield [path, files.read(path), ''];
}

const pathsIn = (db: Db, table: 'assets' | 'sources', packageId: number): string[] =>
  prepared<[number], { path: string }>(db, `SELECT path FROM ${table} WHERE package_id = ?`)
    .all(packageId)
    .map(({ path }) => path);

function keepFiles(db: Db, packageId: number, table: 'assets' | 'sources', files: Iterable<KeptFile>): void {
  let batch: KeptFile[] = [];
  let size = 0;
  const write = () => {
    db.transaction(() => {
      for (const [path, bytes, mediaType] of batch)
        if (table === 'assets')
          prepared(
            db,
            'INSERT INTO assets (package_id, path, media_type, bytes) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
          ).run(packageId, path, mediaType, Buffer.from(bytes));
        else
          prepared(
            db,
            'INSERT INTO sources (package_id, path, bytes) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
          ).run(packageId, path, Buffer.from(bytes));
    }).immediate();
    batch = [];
    size = 0;
  };
  for (const file of files) {
    batch.push(file);
    size += file[1].length;
    if (size >= PIECE) write();
  }
  if (batch.length > 0) write();
}

function add(db: Db, content: QtiPackage, hash: string, now: number): number {
  const row = prepared<[string, string, number, number, string], { id: number }>(
    db,
    'INSERT INTO packages (identifier, content_hash, model_version, imported_at, problems, complete) VALUES (?, ?, ?, ?, ?, 0) RETURNING id',
  ).get(content.identifier, hash, MODEL_VERSION, now, JSON.stringify(content.problems));
  if (!row) throw new Error('the database returned no id for a package');
  return row.id;
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

/** What is assigned and not begun is given in this version, and practiced in it, where it has the test still. */
function moveToNewest(db: Db, identifier: string, packageId: number): void {
  for (const [table, and] of [
    ['assignments', 'AND NOT EXISTS (SELECT 1 FROM attempts WHERE attempts.assignment_id = assignments.id)'],
    ['practice', ''],
  ] as const)
    prepared(
      db,
      `UPDATE OR IGNORE ${table} SET test_id = newer.id
       FROM tests older JOIN packages p ON p.id = older.package_id
       JOIN tests newer ON newer.package_id = ? AND newer.identifier = older.identifier
       WHERE ${table}.test_id = older.id AND p.identifier = ? AND older.package_id <> newer.package_id ${and}`,
    ).run(packageId, identifier);
}

/**
 * The files of a version, as they came.
 * @throws Refusal `not-found`; `no-sources` for one from before they were kept
 */
export function filesOfVersion(db: Db, packageId: number): PackageFiles {
  const known = prepared<[number], { id: number }>(
    db,
    'SELECT id FROM packages WHERE id = ? AND complete = 1',
  ).get(packageId);
  if (!known) throw new Refusal('not-found', 404);
  const sources = new Set(pathsIn(db, 'sources', packageId));
  if (sources.size === 0) throw new Refusal('no-sources', 409);
  const read = (path: string): Buffer | undefined =>
    prepared<[number, string], { bytes: Buffer }>(
      db,
      `SELECT bytes FROM ${sources.has(path) ? 'sources' : 'assets'} WHERE package_id = ? AND path = ?`,
    ).get(packageId, path)?.bytes;
  return {
    paths: new Set([...sources, ...pathsIn(db, 'assets', packageId)]),
    read: (path) => read(path) ?? new Uint8Array(),
  };
}

/** In SQL: whether anything hangs on the version `p`: an attempt, an assignment, an offer for practice. Who tries it out does not count. */
export const IS_USED = `EXISTS (SELECT 1 FROM tests t WHERE t.package_id = p.id AND (
  EXISTS (SELECT 1 FROM practice WHERE test_id = t.id)
  OR EXISTS (SELECT 1 FROM rescorings WHERE test_id = t.id OR key_test_id = t.id)
  OR EXISTS (SELECT 1 FROM attempts x JOIN users u ON u.id = x.user_id WHERE x.test_id = t.id AND u.tries_for IS NULL)
  OR EXISTS (SELECT 1 FROM assignments x JOIN users u ON u.id = x.user_id WHERE x.test_id = t.id AND u.tries_for IS NULL)))`;

/**
 * Takes a version out of the library.
 * @throws Refusal `not-yours`, `not-found`; `in-use` while something hangs on it
 */
export function deletePackage(db: Db, by: User, packageId: number): void {
  requireAct(by, 'keep-library');
  db.transaction(() => {
    const row = prepared<[number], { used: number }>(
      db,
      `SELECT ${IS_USED} AS used FROM packages p WHERE p.id = ? AND p.complete = 1`,
    ).get(packageId);
    if (!row) throw new Refusal('not-found', 404);
    if (row.used === 1) throw new Refusal('in-use', 409);
    const trying = prepared<[number], { user_id: number }>(
      db,
      'SELECT DISTINCT a.user_id FROM assignments a JOIN tests t ON t.id = a.test_id WHERE t.package_id = ?',
    ).all(packageId);
    for (const { user_id: trier } of trying) forgetGuest(db, trier);
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

interface TestRow {
  readonly package_id: number;
  readonly identifier: string;
  readonly model: string;
  readonly model_version: number;
}
const testRow = (db: Db, testId: number): TestRow | undefined =>
  prepared<[number], TestRow>(
    db,
    'SELECT t.package_id, t.identifier, t.model, p.model_version FROM tests t JOIN packages p ON p.id = t.package_id WHERE t.id = ?',
  ).get(testId);
const readTest = (row: TestRow): Test => readStored('test', row.identifier, row.model, row.model_version);

/** What a test says of itself, without its questions. @throws UnreadableModel */
export function loadOutline(db: Db, testId: number): Test | null {
  const row = testRow(db, testId);
  return row ? readTest(row) : null;
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
  const row = testRow(db, testId);
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
    test: readTest(row),
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
