/** @jest-environment node */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserEvent } from '@/core/attempt/events';
import { stateOf } from '../delivery/eventLog';
import { saveBatch } from '../delivery/delivery';
import { testSchool } from '../delivery/testSchool';
import { Refusal } from '../refusal';
import { commitTogether } from './groupCommit';
import { openDatabase, type Db } from './open';
import { refusalOf, toldOf } from './trouble';

let folder: string;
let db: Db;
let other: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'able-trouble-'));
  const path = join(folder, 'school.sqlite');
  db = openDatabase(path);
  other = openDatabase(path);
  db.exec('CREATE TABLE said (name TEXT)');
});
afterEach(() => {
  db.close();
  other.close();
  rmSync(folder, { recursive: true, force: true });
});
const put = (name: string) => () => db.prepare('INSERT INTO said VALUES (?)').run(name);
const names = () => db.prepare<[], { name: string }>('SELECT name FROM said').all();
/** How often the server came to something else while it waited. */
async function turnsDuring(wait: Promise<unknown>): Promise<number> {
  let turns = 0;
  const timer = setInterval(() => {
    turns += 1;
  }, 5);
  await wait.catch(() => undefined);
  clearInterval(timer);
  return turns;
}

test('what is saved while another process writes waits for it, and keeps nobody else waiting', async () => {
  other.prepare('BEGIN IMMEDIATE').run();
  const saving = Promise.all([commitTogether(db, put('a')), commitTogether(db, put('b'))]);
  setTimeout(() => other.prepare('COMMIT').run(), 300);
  expect(await turnsDuring(saving)).toBeGreaterThan(10);
  await saving;
  expect(names()).toEqual([{ name: 'a' }, { name: 'b' }]);
});

test('one that writes for too long is said to be busy, and nothing of it is kept', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate'] });
  other.prepare('BEGIN IMMEDIATE').run();
  const saving = commitTogether(db, put('a')).catch((error: unknown) => refusalOf(error));
  await new Promise((resolve) => setImmediate(resolve));
  jest.advanceTimersByTime(6_000);
  jest.useRealTimers();
  expect(await saving).toMatchObject({ code: 'busy', status: 503 });
  other.prepare('COMMIT').run();
  expect(names()).toEqual([]);
});

test('what is written for somebody else waits in the database as long as it was told to', () => {
  db.pragma('busy_timeout = 10');
  other.prepare('BEGIN IMMEDIATE').run();
  const refused = () => {
    try {
      put('a')();
    } catch (error) {
      return refusalOf(error)?.code;
    }
    return null;
  };
  expect(refused()).toBe('busy');
  other.prepare('COMMIT').run();
  expect(refused()).toBeNull();
});

test('a full disk: what does not fit is refused by name, what was kept stays, and with room again the same is taken', async () => {
  const school = await testSchool('content/skerry-sound-grade-6', { now: 1000 });
  const { db: full, student, attemptId, device } = school;
  await school.say({ type: 'answered', item: 'reading-1', responses: { RESPONSE: 'B' }, how: 'edit' }, 1500);
  const [page] = full.pragma('page_count') as { page_count: number }[];
  full.pragma(`max_page_count = ${page?.page_count ?? 0}`);
  const words = 'The lamp is lit at dusk. '.repeat(600);
  const events: BrowserEvent[] = Array.from({ length: 8 }, (_, i) => ({
    type: 'answered',
    device,
    seq: i + 2,
    at: 2000 + i,
    item: 'reading-5',
    responses: { RESPONSE: `${words}${i}` },
    how: 'typing',
  }));
  const save = () => saveBatch(full, student, attemptId, { device, events, cursor: 0 }, 3000);
  const refused = await save().then(
    () => null,
    (error: unknown) => refusalOf(error),
  );
  expect(refused).toMatchObject({ code: 'disk-full', status: 507 });
  expect(Object.keys(stateOf(full, attemptId).items)).toEqual(['reading-1']);
  full.pragma('max_page_count = 1000000');
  expect((await save()).acknowledged).toBe(9);
  expect(stateOf(full, attemptId).items['reading-5']?.responses).toEqual({ RESPONSE: `${words}7` });
  school.close();
});

test('a save that has no room takes none away from those that share its commit', async () => {
  const [page] = db.pragma('page_count') as { page_count: number }[];
  db.pragma(`max_page_count = ${page?.page_count ?? 0}`);
  const large = commitTogether(db, put('x'.repeat(200_000))).catch(
    (error: unknown) => refusalOf(error)?.code,
  );
  const small = ['a', 'b'].map((name) => commitTogether(db, put(name)));
  expect(await large).toBe('disk-full');
  await Promise.all(small);
  expect(names()).toEqual([{ name: 'a' }, { name: 'b' }]);
});

test('of a full disk one line a minute is written down, of everything unknown each', () => {
  const lines = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const full = Object.assign(new Error('full'), { code: 'SQLITE_FULL' });
  for (const at of [0, 1_000, 59_000]) expect(toldOf(full, at)?.code).toBe('disk-full');
  expect(lines).toHaveBeenCalledTimes(1);
  toldOf(full, 61_000);
  expect(lines).toHaveBeenCalledTimes(2);
  expect(toldOf(new Refusal('not-found', 404), 62_000)?.status).toBe(404);
  expect(lines).toHaveBeenCalledTimes(2);
  expect(toldOf(new Error('no such column'), 62_000)).toBeNull();
  expect(toldOf(null, 62_000)).toBeNull();
  expect(lines).toHaveBeenCalledTimes(4);
  lines.mockRestore();
});
