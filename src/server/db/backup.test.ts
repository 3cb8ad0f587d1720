import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserEvent } from '@/core/attempt/events';
import { putUser, userById, type User } from '../accounts/users';
import { assign, assignedTests } from '../delivery/assignments';
import { beginAttempt, resumeAttempt, saveBatch } from '../delivery/delivery';
import { stateOf } from '../delivery/eventLog';
import { filesAt } from '../library/files';
import { importPackage } from '../library/library';
import { backUp, BadBackup, backupsIn, restore } from './backup';
import { DATABASE_FILE, openDatabase, type Db } from './open';

const NOW = Date.UTC(2026, 2, 3, 9);
let root: string;
let data: string;
let backups: string;
let db: Db;

beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'able-backup-'));
  data = join(root, 'data');
  backups = join(root, 'backups');
  restoreEmpty();
});
afterEach(() => {
  db.close();
  rmSync(root, { recursive: true, force: true });
});
const open = (): Db => openDatabase(join(data, DATABASE_FILE));
function restoreEmpty(): void {
  const empty = join(root, 'empty.sqlite');
  openDatabase(empty).close();
  restore(empty, data, NOW);
  db = open();
}

async function student(): Promise<{ user: User; attemptId: string }> {
  const { testIds } = importPackage(db, filesAt('content/skerry-sound-grade-6'));
  const id = await putUser(db, {
    signInName: 'wren',
    displayName: 'Wren',
    role: 'student',
    password: 'tide-pool-1',
  });
  const user = userById(db, id);
  if (!user) throw new Error('no user');
  assign(db, testIds[0] ?? 0, id);
  const { attemptId } = beginAttempt(db, user, assignedTests(db, id)[0]?.assignmentId ?? 0, NOW);
  return { user, attemptId };
}
const answer = (device: string, seq: number, choice: string): BrowserEvent => ({
  type: 'answered',
  device,
  seq,
  at: NOW + seq * 1_000,
  item: 'reading-1',
  responses: { RESPONSE: choice },
  how: 'edit',
});

test('the server dies and its disk with it: the backup comes back, and what a browser still holds is taken', async () => {
  const { user, attemptId } = await student();
  const first = resumeAttempt(db, user, attemptId, null, NOW).device;
  const save = (device: string, events: BrowserEvent[], at: number) =>
    saveBatch(db, user, attemptId, { device, events, cursor: 0 }, at);
  await save(first, [answer(first, 1, 'A')], NOW + 1_500);
  // Copied while the app has the database open and writes to it.
  const backup = await backUp(db, backups, NOW + 2_000);
  const after = resumeAttempt(db, user, attemptId, null, NOW + 2_100).device;
  db.close();
  writeFileSync(join(data, DATABASE_FILE), 'rubbish where a database was');

  const aside = restore(backup, data, NOW + 3_000);
  expect(aside).toMatch(/before-restore/);
  db = open();
  expect(stateOf(db, attemptId).items['reading-1']?.responses.RESPONSE).toBe('A');

  // The page that was there at the backup goes on under its name …
  await save(first, [answer(first, 2, 'B')], NOW + 4_000);
  expect(stateOf(db, attemptId).items['reading-1']?.responses.RESPONSE).toBe('B');
  // … a page opened since is unknown, and says again what it holds under the name it is given.
  await expect(save(after, [answer(after, 1, 'C')], NOW + 5_000)).rejects.toMatchObject({
    code: 'unknown-device',
  });
  const again = resumeAttempt(db, user, attemptId, null, NOW + 5_000).device;
  await save(
    again,
    [answer(again, 1, 'C')].map((one) => ({ ...one, at: NOW + 5_500 })),
    NOW + 6_000,
  );
  expect(stateOf(db, attemptId).items['reading-1']?.responses.RESPONSE).toBe('C');
});

test('a backup is a whole file that only its owner reads; older ones go, the newest stay', async () => {
  const made: string[] = [];
  for (let i = 0; i < 4; i += 1) made.push(await backUp(db, backups, NOW + i * 60_000, 2));
  expect(backupsIn(backups).map((name) => join(backups, name))).toEqual(made.slice(2));
  expect(readdirSync(backups)).toHaveLength(2);
  expect(statSync(made[3] ?? '').mode & 0o077).toBe(0);
});

test('what is no whole database is not restored, and nothing changes', async () => {
  const backup = await backUp(db, backups, NOW);
  const bad = join(root, 'bad.sqlite');
  writeFileSync(bad, 'no database');
  expect(() => restore(bad, data, NOW)).toThrow(BadBackup);
  expect(() => restore(join(root, 'none.sqlite'), data, NOW)).toThrow(BadBackup);
  expect(readdirSync(data)).toContain(DATABASE_FILE);
  db.close();
  expect(restore(backup, data, NOW)).not.toBeNull();
  db = open();
});

test('while the app has the database open nothing is put in its place', async () => {
  const backup = await backUp(db, backups, NOW);
  expect(() => restore(backup, data, NOW)).toThrow(/in use/);
});
