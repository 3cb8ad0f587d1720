import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { commitTogether } from './groupCommit';
import { openDatabase, type Db } from './open';
import { prepared } from './statements';

let folder: string;
let db: Db;
const path = () => join(folder, 'test.sqlite');
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'able-db-'));
  db = openDatabase(path());
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('opening', () => {
  test('every commit is on the disk before it is acknowledged, and references hold', () => {
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
    // 2 is FULL.
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
    expect(db.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(() =>
      db.prepare("INSERT INTO test_results (attempt_id, outcomes) VALUES ('nobody', '{}')").run(),
    ).toThrow(/FOREIGN KEY/);
  });
  test('migrations are applied once and in order; opening again changes nothing', () => {
    const applied = () => db.prepare('SELECT name, applied_at FROM migrations ORDER BY rowid').all();
    const first = applied();
    expect(first.map((row) => (row as { name: string }).name.slice(0, 3))).toEqual(
      first.map((_, i) => String(i + 1).padStart(3, '0')),
    );
    db.close();
    db = openDatabase(path());
    expect(applied()).toEqual(first);
  });
  test('a migration that was changed after it had been applied stops the start: history is not rewritten', () => {
    db.prepare("UPDATE migrations SET sha256 = 'another' WHERE name LIKE '002%'").run();
    expect(() => openDatabase(path())).toThrow(/002-item-sessions\.sql was changed/);
  });
  test('values of the wrong kind do not get in', () => {
    expect(() =>
      db
        .prepare(
          'INSERT INTO users (sign_in_name, display_name, role, password_hash, needs, created_at) VALUES (?, ?, ?, ?, ?, ?)',
        )
        .run('wren', 'Wren', 'captain', 'x', '{}', 1),
    ).toThrow(/CHECK/);
  });
  test('a statement is prepared once', () => {
    const sql = 'SELECT 1 AS one';
    expect(prepared(db, sql)).toBe(prepared(db, sql));
  });
});

describe('saves of many students share a commit', () => {
  const put = (name: string) => () => {
    db.prepare('INSERT INTO sign_in_tries (name, address, at) VALUES (?, ?, 1)').run(name, 'here');
    return name;
  };
  const names = () => db.prepare('SELECT name FROM sign_in_tries ORDER BY name').pluck().all();
  test('each gets its own answer, after everything is on the disk', async () => {
    const jobs = ['a', 'b', 'c'].map((name) => commitTogether(db, put(name)));
    expect(names()).toEqual([]);
    expect(await Promise.all(jobs)).toEqual(['a', 'b', 'c']);
    const elsewhere = openDatabase(path());
    expect(elsewhere.prepare('SELECT count(*) FROM sign_in_tries').pluck().get()).toBe(3);
    elsewhere.close();
  });
  test('one that fails is rolled back alone, half of it too', async () => {
    const failing = commitTogether(db, () => {
      put('half')();
      throw new Error('no');
    });
    const settled = await Promise.allSettled([
      commitTogether(db, put('a')),
      failing,
      commitTogether(db, put('b')),
    ]);
    expect(settled.map((one) => one.status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
    expect(names()).toEqual(['a', 'b']);
  });
  test('when the commit itself fails, nobody is told that it was kept', async () => {
    const jobs = ['a', 'b'].map((name) => commitTogether(db, put(name)));
    const blocked = openDatabase(path());
    blocked.prepare('BEGIN EXCLUSIVE').run();
    db.pragma('busy_timeout = 1');
    const settled = await Promise.allSettled(jobs);
    blocked.prepare('ROLLBACK').run();
    blocked.close();
    expect(settled.map((one) => one.status)).toEqual(['rejected', 'rejected']);
    expect(names()).toEqual([]);
  });
});
