import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { putUser, userById, type User } from '../accounts/users';
import { DATABASE_FILE, openDatabase, type Db } from '../db/open';
import { bringPackage } from './bring';
import { inChild } from '../child';
import { exportVersion } from './exported';
import { filesAt, filesOfZip } from './files';
import { beginUpload, putPiece, readUpload } from './uploads';

const CROSSING = filesAt('content/skerry-sound-crossing');
const ZIP = zipSync(Object.fromEntries([...CROSSING.paths].map((path) => [path, CROSSING.read(path)])));
const DAY = 24 * 3_600_000;

let folder: string;
let db: Db;
let by: User;
let before: string | undefined;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'able-uploads-'));
  before = process.env.ABLE_DATA_DIR;
  process.env.ABLE_DATA_DIR = folder;
  db = openDatabase(join(folder, DATABASE_FILE));
  const id = await putUser(db, { signInName: 'edda', displayName: 'Edda', role: 'administrator' });
  by = userById(db, id) as User;
});
afterEach(() => {
  db.close();
  if (before === undefined) delete process.env.ABLE_DATA_DIR;
  else process.env.ABLE_DATA_DIR = before;
  rmSync(folder, { recursive: true, force: true });
});

/** Runs what the child would, here. */
const here: typeof inChild = (_program, [path = '', , apply]) =>
  Promise.resolve(
    JSON.stringify(
      bringPackage(db, () => filesOfZip(readFileSync(path), path), { bring: apply === '--apply', now: 5 }),
    ),
  );
const sent = () => readdirSync(join(folder, 'uploads'));

async function send(bytes: Uint8Array, name = 'crossing.zip'): Promise<string> {
  const { id } = beginUpload(db, by, { name, bytes: bytes.length }, 1);
  const half = Math.ceil(bytes.length / 2);
  await putPiece(db, by, id, 0, bytes.subarray(0, half));
  await putPiece(db, by, id, half, bytes.subarray(half));
  return id;
}

test('a package sent in pieces is looked at, and brought once it is asked for', async () => {
  const id = await send(ZIP);
  const report = await readUpload(db, by, id, false, here);
  expect(report).toMatchObject({
    ok: true,
    standing: 'new',
    items: 13,
    tests: ['The crossing to Gull Rock'],
  });
  expect(db.prepare('SELECT count(*) AS count FROM packages').get()).toEqual({ count: 0 });
  expect(await readUpload(db, by, id, true, here)).toMatchObject({ ok: true });
  expect(db.prepare('SELECT count(*) AS count FROM tests').get()).toEqual({ count: 1 });
  // What was brought is not kept twice.
  expect(sent()).toEqual([]);
  await expect(readUpload(db, by, id, false, here)).rejects.toThrow('not-found');
  expect(await readUpload(db, by, await send(ZIP), false, here)).toMatchObject({ standing: 'here' });
});

test('a piece sent again changes nothing; a gap, too much, or the rest missing is refused', async () => {
  const { id } = beginUpload(db, by, { name: 'x.zip', bytes: 6 }, 1);
  const piece = new Uint8Array([1, 2, 3]);
  expect(await putPiece(db, by, id, 0, piece)).toEqual({ received: 3 });
  expect(await putPiece(db, by, id, 0, piece)).toEqual({ received: 3 });
  await expect(putPiece(db, by, id, 4, piece)).rejects.toThrow('bad-input');
  await expect(readUpload(db, by, id, false, here)).rejects.toThrow('bad-input');
  await expect(putPiece(db, by, id, 3, new Uint8Array(4))).rejects.toThrow('bad-input');
  expect(await putPiece(db, by, id, 3, piece)).toEqual({ received: 6 });
  expect([...readFileSync(join(folder, 'uploads', id))]).toEqual([1, 2, 3, 1, 2, 3]);
});

test('what somebody sends is theirs alone, one at a time, and gone after a day', async () => {
  const id = await send(ZIP);
  const other = userById(
    db,
    await putUser(db, { signInName: 'sten', displayName: 'Sten', role: 'teacher' }),
  ) as User;
  await expect(readUpload(db, other, id, false, here)).rejects.toThrow('not-found');
  await expect(putPiece(db, other, id, 0, ZIP)).rejects.toThrow('not-found');
  expect(() => beginUpload(db, { ...other, role: 'proctor' }, { name: 'x', bytes: 1 }, 2)).toThrow(
    'not-yours',
  );
  const second = await send(ZIP.subarray(0, 10), 'other.zip');
  expect(sent()).toEqual([second]);
  beginUpload(db, other, { name: 'x', bytes: 1 }, 2 + DAY);
  expect(sent()).toEqual([]);
});

test('what was left in the middle is gone with the next package, a day later', async () => {
  await send(ZIP);
  writeFileSync(join(folder, 'uploads', 'left.zip'), 'x');
  beginUpload(db, by, { name: 'x', bytes: 1 }, Date.now() + DAY / 2);
  expect(sent()).toEqual(['left.zip']);
  beginUpload(db, by, { name: 'x', bytes: 1 }, Date.now() + 2 * DAY);
  expect(sent()).toEqual([]);
});

test('an older version brought again is the newest, and what is assigned is given in it', async () => {
  const changed = zipSync({
    ...Object.fromEntries([...CROSSING.paths].map((path) => [path, CROSSING.read(path)])),
    'more.txt': new TextEncoder().encode('more'),
  });
  await readUpload(db, by, await send(ZIP), true, here);
  const [first] = db.prepare<[], { id: number }>('SELECT id FROM tests').all();
  db.prepare('INSERT INTO assignments (test_id, user_id, created_at) VALUES (?, ?, 1)').run(first?.id, by.id);
  bringPackage(db, () => filesOfZip(changed, 'x'), { bring: true, now: 6 });
  const given = () => db.prepare('SELECT test_id AS id FROM assignments').get();
  expect(given()).not.toEqual(first);
  const again = { bring: true, now: 7 };
  expect(bringPackage(db, () => filesOfZip(ZIP, 'x'), again)).toMatchObject({ standing: 'older' });
  expect(given()).toEqual(first);
  expect(bringPackage(db, () => filesOfZip(ZIP, 'x'), again)).toMatchObject({ standing: 'here' });
});

test('what is no package is told by file, and where it lies here is not', async () => {
  const report = await readUpload(db, by, await send(new Uint8Array([1, 2, 3])), true, here);
  expect(report).toMatchObject({ ok: false, items: 0, problems: [{ code: 'not-a-zip', file: '' }] });
  const none = zipSync({ 'imsmanifest.xml': new TextEncoder().encode('<manifest identifier="m"/>') });
  expect(await readUpload(db, by, await send(none), true, here)).toMatchObject({ ok: false, tests: [] });
  expect(db.prepare('SELECT count(*) AS count FROM packages').get()).toEqual({ count: 0 });
});

test('in a process of its own: brought, and written out again as the same content', async () => {
  expect(await readUpload(db, by, await send(ZIP), true)).toMatchObject({ ok: true, items: 13 });
  const { id } = db.prepare<[], { id: number }>('SELECT id FROM packages').get() as { id: number };
  const { bytes, content } = await exportVersion(db, by, id);
  const written = new Uint8Array(await new Response(content).arrayBuffer());
  expect(written.length).toBe(bytes);
  expect(bringPackage(db, () => filesOfZip(written, 'out.zip'), { bring: false, now: 9 })).toMatchObject({
    ok: true,
    items: 13,
    problems: [],
  });
  expect(existsSync(join(folder, 'uploads')) && sent()).toEqual([]);
  await expect(exportVersion(db, by, 999)).rejects.toThrow('not-found');
  await expect(exportVersion(db, { ...by, role: 'scorer' }, id)).rejects.toThrow('not-yours');
}, 60_000);

test('more than two at once are told to wait, and what breaks off is refused', async () => {
  // The second is called wrongly, and says nothing.
  const both = Promise.allSettled([
    inChild('package-import', ['no-such-file', '--json']),
    inChild('package-export', []),
  ]);
  await expect(inChild('package-import', [])).rejects.toThrow('busy');
  const [first, second] = await both;
  expect(first.status === 'fulfilled' && JSON.parse(first.value)).toMatchObject({
    ok: false,
    problems: [{ code: 'no-file' }],
  });
  expect(second).toMatchObject({ status: 'rejected', reason: { code: 'cannot-be-read' } });
}, 60_000);
