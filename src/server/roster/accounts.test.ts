import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { studentsReached } from '../accounts/access';
import { classesReached, peopleHere } from '../accounts/classes';
import { choosePassword, newSlips } from '../accounts/passwords';
import { openSession, userOfSession } from '../accounts/sessions';
import { putUser, userById, userByPassword, type User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { bringRoster } from './roster';
import { filesFrom, SCHOOL, type Texts } from './testRoster';

let folder: string;
let db: Db;
let edda: User;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'able-roster-'));
  db = openDatabase(join(folder, 'roster.sqlite'));
  edda = await here('edda', 'administrator');
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

const NOW = Date.UTC(2026, 10, 30);
async function here(name: string, role: User['role']): Promise<User> {
  const id = await putUser(db, { signInName: name, displayName: name, role, password: `pass of ${name}` });
  const user = userById(db, id);
  if (!user) throw new Error('nobody was added');
  return user;
}
const bring = async (changes: Texts = {}) => {
  const report = await bringRoster(db, filesFrom({ ...SCHOOL, ...changes }), { apply: true, now: NOW });
  expect(report.problems.filter(({ severity }) => severity === 'error')).toEqual([]);
  return report.problems.map(({ code, message }) => `${code}: ${message}`);
};
const USERS = 'sourcedId,status,dateLastModified,enabledUser,username,givenName,familyName\n';
const users = (...lines: string[]) => ({ 'users.csv': `${USERS}${lines.join('\n')}\n` });
const WREN = 'u1,,,true,wren,Wren,Halloran';
const PETRA = 'u2,,,true,petra,Petra,Vance';
const listed = () => peopleHere(db, edda).filter(({ ofRoster }) => ofRoster);

test('a roster makes accounts, and classes in which who teaches reaches who learns', async () => {
  expect(await bring()).toEqual([]);
  expect(listed()).toMatchObject([
    { displayName: 'Petra\nMaria Vance', signInName: 'petra', role: 'teacher', classes: ['Reading 6'] },
    { displayName: 'Wren Halloran', signInName: 'wren', role: 'student', hasPassword: true },
  ]);
  const wren = await userByPassword(db, 'wren', 'kelp-and-tide');
  const petra = userById(db, listed()[0]?.id ?? 0);
  if (!petra) throw new Error('no teacher');
  expect(studentsReached(db, petra, 'give').map(({ id }) => id)).toEqual([wren?.id]);
  expect(classesReached(db, petra, 'give')).toMatchObject([{ title: 'Reading 6', students: [wren?.id] }]);
  expect(await bring()).toEqual([]);
  expect(listed()).toHaveLength(2);
});

test('who is not in it any more, or is disabled, is ended with every session; back again they are who they were', async () => {
  await bring();
  const wren = await userByPassword(db, 'wren', 'kelp-and-tide');
  if (!wren) throw new Error('no student');
  for (const without of [
    { ...users(PETRA), 'roles.csv': (SCHOOL['roles.csv'] ?? '').replace(/r1,.*\n/, '') },
    users('u1,,,false,wren,Wren,Halloran', PETRA),
  ]) {
    const { token } = openSession(db, wren.id, NOW);
    await bring(without);
    expect(userOfSession(db, token, NOW + 1)).toBeNull();
    expect(await userByPassword(db, 'wren', 'kelp-and-tide')).toBeNull();
    expect(studentsReached(db, edda, 'give')).toEqual([]);
    await bring();
    expect((await userByPassword(db, 'wren', 'kelp-and-tide'))?.id).toBe(wren.id);
    expect(studentsReached(db, edda, 'give')).toHaveLength(1);
  }
});

test('names may change hands; another role is another reach, and who is signed in signs in again', async () => {
  await bring();
  const [before] = listed();
  const { token } = openSession(db, before?.id ?? 0, NOW);
  await bring({
    ...users('u1,,,true,petra,Wren,Halloran', 'u2,,,true,wren,Petra,Vance'),
    'roles.csv': (SCHOOL['roles.csv'] ?? '').replace('primary,teacher', 'primary,siteAdministrator'),
  });
  expect(listed()).toMatchObject([
    { id: before?.id, displayName: 'Petra Vance', signInName: 'wren', role: 'administrator' },
    { displayName: 'Wren Halloran', signInName: 'petra', role: 'student' },
  ]);
  expect(userOfSession(db, token, NOW + 1)).toBeNull();
});

test('who is here already under that name and role is the same person; under another role the name is taken', async () => {
  const wren = await here('wren', 'student');
  const petra = await here('petra', 'student');
  const [note, ...more] = await bring();
  expect(more).toEqual([]);
  expect(note).toMatch(
    /^name-taken: the user name "petra" of "u2" is somebody else's here: there is no account/,
  );
  expect(listed()).toMatchObject([{ id: wren.id, displayName: 'Wren Halloran' }]);
  // The password somebody has stays.
  expect((await userByPassword(db, 'wren', 'pass of wren'))?.id).toBe(wren.id);
  expect(userById(db, petra.id)?.role).toBe('student');
});

test('a name that somebody else has here ends nobody: the old one stays; one of somebody who is gone is free', async () => {
  await bring();
  await here('wrenna', 'proctor');
  const [note] = await bring(users('u1,,,true,wrenna,Wren,Halloran', PETRA));
  expect(note).toMatch(/"wrenna" of "u1" is somebody else's here: the old one stays/);
  const wren = await userByPassword(db, 'wren', 'kelp-and-tide');
  expect(wren?.displayName).toBe('Wren Halloran');
  // Wren leaves, and another Wren comes with the same name.
  await bring({
    ...users(PETRA, 'u9,,,true,wren,Wren,Sorley'),
    'roles.csv': (SCHOOL['roles.csv'] ?? '').replace('r1,,,u1', 'r9,,,u9'),
    'enrollments.csv': (SCHOOL['enrollments.csv'] ?? '').replace('e1,,,k1,s1,u1', 'e9,,,k1,s1,u9'),
  });
  const other = listed().find(({ signInName }) => signInName === 'wren');
  expect(other).toMatchObject({ displayName: 'Wren Sorley', hasPassword: false });
  expect(other?.id).not.toBe(wren?.id);
});

test('whoever keeps the people is not taken over by a name in a roster', async () => {
  const [note] = await bring({
    ...users(WREN, 'u2,,,true,edda,Petra,Vance'),
    'roles.csv': (SCHOOL['roles.csv'] ?? '').replace('primary,teacher', 'primary,siteAdministrator'),
  });
  expect(note).toMatch(/"edda" of "u2" is somebody else's here: there is no account/);
  expect((await userByPassword(db, 'edda', 'pass of edda'))?.displayName).toBe('edda');
});

test('parents have no account; an enrollment that is over, or to come, puts nobody into a class', async () => {
  const roles = `${SCHOOL['roles.csv'] ?? ''}r3,,,u3,primary,parent,,,s1\nr4,,,u4,primary,student,2027-01-01,,s1\n`;
  const dated = (SCHOOL['enrollments.csv'] ?? '').replace(/e1,(.*),,\n/, 'e1,$1,,2026-11-29\n');
  await bring({
    ...users(WREN, PETRA, 'u3,,,true,mother,Ola,Halloran', 'u4,,,true,later,Lea,Halloran'),
    'roles.csv': roles,
    'enrollments.csv': dated,
  });
  expect(listed().map(({ signInName, classes }) => [signInName, classes])).toEqual([
    ['petra', ['Reading 6']],
    ['wren', []],
  ]);
});

test('a class that is no more reaches nobody; one that is not of the roster stays', async () => {
  db.prepare("INSERT INTO classes (title) VALUES ('Chess')").run();
  await bring();
  const petra = userById(db, listed()[0]?.id ?? 0);
  await bring({
    'classes.csv': `${(SCHOOL['classes.csv'] ?? '').split('\n')[0] ?? ''}\n`,
    'enrollments.csv': `${(SCHOOL['enrollments.csv'] ?? '').split('\n')[0] ?? ''}\n`,
  });
  if (!petra) throw new Error('no teacher');
  expect(studentsReached(db, petra, 'give')).toEqual([]);
  expect(classesReached(db, edda, 'give').map(({ title }) => title)).toEqual(['Chess']);
});

test('new passwords are given to others, end their sessions, and are kept nowhere in clear', async () => {
  const [wren, ulla] = [await here('wren', 'student'), await here('ulla', 'proctor')];
  const { token } = openSession(db, wren.id, NOW);
  const [slip, other] = await newSlips(db, edda, { users: [wren.id, ulla.id, wren.id] }, NOW);
  if (!slip || !other) throw new Error('no slips');
  expect(slip).toMatchObject({ displayName: 'wren', signInName: 'wren' });
  expect(slip.password).toMatch(/^[a-z]+-[a-z]+-[a-z]+-[2-9]$/);
  expect(slip.password).not.toBe(other.password);
  expect(userOfSession(db, token, NOW + 1)).toBeNull();
  expect(await userByPassword(db, 'wren', 'pass of wren')).toBeNull();
  expect((await userByPassword(db, 'wren', slip.password))?.id).toBe(wren.id);
  expect(JSON.stringify(db.prepare('SELECT * FROM users, security_log').all())).not.toContain(slip.password);
  const refused: readonly (readonly [User, number[], string])[] = [
    [edda, [edda.id], 'bad-input'],
    [edda, [wren.id, 999], 'not-found'],
    [ulla, [wren.id], 'not-yours'],
    [wren, [wren.id], 'not-yours'],
  ];
  for (const [by, ids, code] of refused)
    await expect(newSlips(db, by, { users: [...ids] }, NOW)).rejects.toThrow(code);
  expect((await userByPassword(db, 'wren', slip.password))?.id).toBe(wren.id);
  expect(() => peopleHere(db, ulla)).toThrow('not-yours');
});

describe('a password of one’s own', () => {
  const at = { address: 'here', token: '' };
  async function slipFor(name: string, change: boolean) {
    const { id } = await here(name, 'student');
    const [slip] = await newSlips(db, edda, { users: [id], change }, NOW);
    const { token } = openSession(db, id, NOW);
    const user = userOfSession(db, token, NOW);
    if (!slip || !user) throw new Error('no slip');
    return { password: slip.password, user, token };
  }

  test('a slip may be for the first time only; who came with a room’s code is not asked', async () => {
    const { password, user, token } = await slipFor('wren', true);
    expect(user.mustChange).toBe(true);
    await choosePassword(
      db,
      user,
      { current: password, chosen: 'gulls over the pier' },
      { ...at, token },
      NOW,
    );
    expect(userOfSession(db, token, NOW)?.mustChange).toBe(false);
    expect((await userByPassword(db, 'wren', 'gulls over the pier'))?.id).toBe(user.id);
    expect(await userByPassword(db, 'wren', password)).toBeNull();
    expect((await slipFor('bao', false)).user.mustChange).toBe(false);
  });

  test('whoever is signed in with the old one elsewhere is signed out', async () => {
    const { password, user, token } = await slipFor('wren', false);
    const elsewhere = openSession(db, user.id, NOW).token;
    await choosePassword(
      db,
      user,
      { current: password, chosen: 'gulls over the pier' },
      { ...at, token },
      NOW,
    );
    expect([token, elsewhere].map((one) => userOfSession(db, one, NOW) !== null)).toEqual([true, false]);
  });

  test('the one it replaces must be right, and the new one another that is strong enough', async () => {
    const { password, user, token } = await slipFor('wren', false);
    const choose = (current: string, chosen: string, by = user) =>
      choosePassword(db, by, { current, chosen }, { ...at, token }, NOW);
    await expect(choose('no', 'gulls over the pier')).rejects.toThrow('wrong-password');
    for (const chosen of ['short', 'wren1234', password])
      await expect(choose(password, chosen)).rejects.toThrow('weak-password');
    await expect(choose(password, 'gulls over', { ...user, guest: true })).rejects.toThrow('not-yours');
    // Guessing the old one here is slowed down as it is at signing in.
    for (let i = 0; i < 5; i += 1) await choose('no', 'gulls over the pier').catch(() => undefined);
    await expect(choose(password, 'gulls over the pier')).rejects.toThrow('too-many-tries');
  });
});
