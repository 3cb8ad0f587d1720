import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import type { RosterReport } from '@/core/wire/people';
import { putUser, userById, type User } from '../accounts/users';
import type { inChild } from '../child';
import { openDatabase, type Db } from '../db/open';
import { bringSentRoster } from './sent';
import { SCHOOL } from './testRoster';

let db: Db;
let administrator: User;
let student: User;
async function person(name: string, role: User['role']): Promise<User> {
  const user = userById(db, await putUser(db, { signInName: name, displayName: name, role }));
  if (!user) throw new Error('nobody was added');
  return user;
}
beforeEach(async () => {
  db = openDatabase(':memory:');
  administrator = await person('edda', 'administrator');
  student = await person('wren', 'student');
});
afterEach(() => db.close());

const bytes = zipSync(
  Object.fromEntries(Object.entries(SCHOOL).map(([name, text]) => [name, strToU8(text)])),
);
const nothing = { add: {}, change: {}, end: {} };

test('the archive lies beside the database only as long as it is read, and is not named in what is said', async () => {
  let path = '';
  const run: typeof inChild = (program, [file = '', ...flags]) => {
    path = file;
    expect([program, flags]).toEqual(['roster', ['--json', '--apply']]);
    expect(new Uint8Array(readFileSync(file))).toEqual(bytes);
    const problem = { severity: 'error', code: 'zip', line: 1, message: 'broken' } as const;
    return Promise.resolve(
      JSON.stringify({ ok: false, ...nothing, problems: [{ ...problem, file }] } satisfies RosterReport),
    );
  };
  const report = await bringSentRoster(db, administrator, { bytes, apply: true }, 1000, run);
  expect(report.problems).toEqual([expect.objectContaining({ file: 'roster.zip' })]);
  expect(() => readFileSync(path)).toThrow('ENOENT');
  expect(db.prepare('SELECT * FROM security_log').all()).toEqual([]);
});

test('what was brought is written down; who does not keep people brings nothing', async () => {
  const run: typeof inChild = () => Promise.resolve(JSON.stringify({ ok: true, ...nothing, problems: [] }));
  await bringSentRoster(db, administrator, { bytes, apply: false }, 1000, run);
  expect(db.prepare('SELECT what FROM security_log').all()).toEqual([]);
  await bringSentRoster(db, administrator, { bytes, apply: true }, 1000, run);
  expect(db.prepare('SELECT what FROM security_log').all()).toEqual([{ what: 'roster-brought' }]);
  await expect(bringSentRoster(db, student, { bytes, apply: true }, 1000, run)).rejects.toThrow('not-yours');
});
