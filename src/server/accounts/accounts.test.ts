import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { commitTogether } from '../db/groupCommit';
import { openDatabase, type Db } from '../db/open';
import type { Role } from '@/core/access/access';
import { oneClass } from '../delivery/testSchool';
import { requireAct, requireReach, requireReachOfAssignment, studentsReached } from './access';
import { boundedQueue } from './queue';
import { closeAllSessions, openSession, userOfSession } from './sessions';
import { delayedNow, liftDelay, signIn, signOutEverywhere, waitAfter } from './signIn';
import { putUser, userById, type User } from './users';

let folder: string;
let db: Db;
let student: User;
async function person(signInName: string, role: Role = 'student'): Promise<User> {
  const password = `${signInName}-pass`;
  const id = await putUser(db, { signInName, displayName: signInName, role, password });
  const user = userById(db, id);
  if (!user) throw new Error('no user');
  return user;
}
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'able-accounts-'));
  db = openDatabase(join(folder, 'test.sqlite'));
  student = await person('wren');
  await person('bao');
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('signing in', () => {
  const now = 1_000_000;
  test('a wrong name and a wrong password are told the same way', async () => {
    await expect(signIn(db, { name: 'wren', password: 'no' }, 'here', now)).rejects.toMatchObject({
      code: 'wrong-name-or-password',
    });
    await expect(signIn(db, { name: 'nobody', password: 'no' }, 'here', now)).rejects.toMatchObject({
      code: 'wrong-name-or-password',
    });
    await expect(signIn(db, { name: 'WREN', password: 'wren-pass' }, 'here', now)).resolves.toMatchObject({
      user: { signInName: 'wren' },
    });
  });
  test('guessing waits longer and longer, and never for ever; a class behind one address is not held up', async () => {
    for (let i = 0; i < 5; i += 1)
      await expect(signIn(db, { name: 'wren', password: 'no' }, 'school', now + i)).rejects.toMatchObject({
        code: 'wrong-name-or-password',
      });
    await expect(
      signIn(db, { name: 'wren', password: 'wren-pass' }, 'school', now + 9),
    ).rejects.toMatchObject({
      code: 'too-many-tries',
      details: { seconds: 1 },
    });
    await expect(signIn(db, { name: 'bao', password: 'bao-pass' }, 'school', now + 9)).resolves.toBeDefined();
    await expect(signIn(db, { name: 'wren', password: 'wren-pass' }, 'home', now + 9)).resolves.toBeDefined();
    await expect(
      signIn(db, { name: 'wren', password: 'wren-pass' }, 'school', now + 2000),
    ).resolves.toBeDefined();
    expect([4, 5, 6, 9, 40].map(waitAfter)).toEqual([0, 1000, 2000, 16_000, 60_000]);
  }, 30_000);
  test('many tries at once are many: each is written down before any password is looked at', async () => {
    const tries = await Promise.allSettled(
      Array.from({ length: 40 }, () => signIn(db, { name: 'wren', password: 'no' }, 'here', now)),
    );
    const codes = tries.map((one) =>
      one.status === 'rejected' ? (one.reason as { code: string }).code : 'in',
    );
    expect(codes.filter((code) => code === 'wrong-name-or-password')).toHaveLength(5);
    expect(codes.filter((code) => code === 'too-many-tries')).toHaveLength(35);
  }, 30_000);
  test('waiting is written down, and a flood of it once', async () => {
    for (let i = 0; i < 5; i += 1)
      await signIn(db, { name: 'wren', password: 'no' }, 'x', now + i).catch(() => null);
    for (let i = 0; i < 30; i += 1)
      await expect(signIn(db, { name: 'wren', password: 'no' }, 'x', now + 10 + i)).rejects.toMatchObject({
        code: 'too-many-tries',
      });
    await signIn(db, { name: 'wren', password: 'no' }, 'y', now + 10).catch(() => null);
    const delays = () =>
      db.prepare("SELECT address FROM security_log WHERE what = 'sign-in-delayed'").all().length;
    expect(delays()).toBe(1);
    await signIn(db, { name: 'wren', password: 'no' }, 'x', now + 1_500).catch(() => null);
    await signIn(db, { name: 'wren', password: 'no' }, 'x', now + 1_600).catch(() => null);
    expect(delays()).toBe(1);
  }, 30_000);
  test('a teacher lets a name try again at once; it is written down', async () => {
    const teacherId = await putUser(db, {
      signInName: 'petra',
      displayName: 'Petra',
      role: 'teacher',
      password: 'p',
    });
    const teacher = userById(db, teacherId);
    oneClass(db);
    for (let i = 0; i < 5; i += 1)
      await signIn(db, { name: 'wren', password: 'no' }, 'x', now + i).catch(() => null);
    expect(() => liftDelay(db, 'wren', student, now)).toThrow('not-yours');
    if (teacher) liftDelay(db, 'wren', teacher, now + 6);
    await expect(signIn(db, { name: 'wren', password: 'wren-pass' }, 'x', now + 7)).resolves.toBeDefined();
    const log = db.prepare('SELECT what, details FROM security_log ORDER BY id').all() as {
      what: string;
      details: string;
    }[];
    expect(log.map((one) => one.what).slice(-2)).toEqual(['delay-lifted', 'signed-in']);
    expect(JSON.stringify(log)).not.toContain('wren-pass');
  }, 30_000);
  test('a session ends when nothing is done in it, and everywhere at once when asked', async () => {
    const { token } = openSession(db, student.id, now);
    expect(userOfSession(db, token, now + 119 * 60_000)?.id).toBe(student.id);
    await commitTogether(db, () => null);
    expect(userOfSession(db, token, now + 230 * 60_000)?.id).toBe(student.id);
    expect(userOfSession(db, token, now + 360 * 60_000)).toBeNull();
    const again = [openSession(db, student.id, now).token, openSession(db, student.id, now).token];
    closeAllSessions(db, student.id);
    expect(again.map((one) => userOfSession(db, one, now + 1))).toEqual([null, null]);
  });
  test('who waits after wrong tries is told to who teaches, until the wait is over or lifted', async () => {
    for (let i = 0; i < 6; i += 1)
      await signIn(db, { name: 'wren', password: 'wrong' }, 'there', now + i * 2000).catch(() => undefined);
    // A name that is nobody's is nothing to show.
    for (let i = 0; i < 6; i += 1)
      await signIn(db, { name: 'nobody', password: 'wrong' }, 'there', now + i * 2000).catch(() => undefined);
    const later = now + 10_500;
    const teacher = await person('petra', 'teacher');
    oneClass(db);
    const elsewhere = await person('sten', 'teacher');
    expect(delayedNow(db, teacher, later)).toEqual([
      { name: 'wren', displayName: student.displayName, seconds: 2 },
    ]);
    expect(delayedNow(db, teacher, later + 5000)).toEqual([]);
    // Of somebody else's student nothing is told, and nothing lifted.
    expect(delayedNow(db, elsewhere, later)).toEqual([]);
    expect(() => liftDelay(db, 'wren', elsewhere, later)).toThrow('not-found');
    expect(() => liftDelay(db, 'nobody', teacher, later)).toThrow('not-found');
    expect(() => delayedNow(db, student, later)).toThrow('not-yours');
    liftDelay(db, 'wren', teacher, later);
    expect(delayedNow(db, teacher, later)).toEqual([]);
  }, 30_000);
  test('a student is signed out everywhere by who teaches, and nobody else is', async () => {
    const teacher = await person('petra', 'teacher');
    oneClass(db);
    const sessions = [openSession(db, student.id, now).token, openSession(db, student.id, now).token];
    const own = openSession(db, teacher.id, now).token;
    expect(() => signOutEverywhere(db, student.id, student, now)).toThrow('not-yours');
    expect(() => signOutEverywhere(db, teacher.id, teacher, now)).toThrow('not-found');
    expect(() => signOutEverywhere(db, 999, teacher, now)).toThrow('not-found');
    signOutEverywhere(db, student.id, teacher, now + 1);
    expect(sessions.map((one) => userOfSession(db, one, now + 2))).toEqual([null, null]);
    expect(userOfSession(db, own, now + 2)?.id).toBe(teacher.id);
  });
  test('a teacher reaches the students of own classes, others everybody or nobody', async () => {
    const [petra, sten] = [await person('petra', 'teacher'), await person('sten', 'teacher')];
    const [proctor, scorer] = [await person('ulla', 'proctor'), await person('noor', 'scorer')];
    const names = (by: User, act: Parameters<typeof studentsReached>[2]) =>
      studentsReached(db, by, act).map(({ name }) => name);
    expect(names(petra, 'give')).toEqual([]);
    oneClass(db);
    db.prepare('DELETE FROM class_members WHERE user_id = ?').run(sten.id);
    await person('late-comer');
    expect(names(petra, 'give')).toEqual(['bao', 'wren']);
    expect(names(sten, 'give')).toEqual([]);
    expect(names(proctor, 'supervise')).toEqual(['bao', 'late-comer', 'wren']);
    expect(() => names(proctor, 'give')).toThrow('not-yours');
    expect(names(scorer, 'mark')).toHaveLength(3);
    expect(() => names(student, 'supervise')).toThrow('not-yours');
    expect(() => requireReach(db, sten, 'supervise', student.id)).toThrow('not-found');
    expect(() => requireReach(db, petra, 'supervise', sten.id)).toThrow('not-found');
    requireReach(db, petra, 'supervise', student.id);
    expect(() => requireAct(student, 'mark')).toThrow('not-yours');
    expect(() => requireReachOfAssignment(db, petra, 'supervise', 1)).toThrow('not-found');
    // A class that has ended gives no reach any more; nor is anybody given anything who is not here any more.
    db.prepare('UPDATE classes SET ended_at = 5').run();
    expect(names(petra, 'give')).toEqual([]);
    db.prepare('UPDATE classes SET ended_at = NULL').run();
    db.prepare('UPDATE users SET ended_at = 5 WHERE id = ?').run(student.id);
    expect(names(petra, 'give')).toEqual(['bao']);
    await expect(signIn(db, { name: 'wren', password: 'wren-pass' }, 'x', now)).rejects.toMatchObject({
      code: 'wrong-name-or-password',
    });
  }, 30_000);
  test('nobody signs in with a password where none is set, whatever it is', async () => {
    db.prepare('UPDATE users SET password_hash = NULL WHERE id = ?').run(student.id);
    await expect(
      signIn(db, { name: 'wren', password: 'no one has this password' }, 'x', now),
    ).rejects.toMatchObject({ code: 'wrong-name-or-password' });
  }, 30_000);
  test('a session ends, and only a hash of its token is kept', () => {
    const { token } = openSession(db, student.id, now);
    expect(userOfSession(db, token, now + 1)?.id).toBe(student.id);
    expect(userOfSession(db, token, now + 13 * 60 * 60_000)).toBeNull();
    expect(userOfSession(db, 'guess', now)).toBeNull();
    expect(JSON.stringify(db.prepare('SELECT * FROM sessions').all())).not.toContain(token);
  });
});

test('a queue runs so many together and no more, in the order they came, and sends a flood away', async () => {
  const queue = boundedQueue(2, 3);
  const open: (() => void)[] = [];
  const begun: number[] = [];
  const work = (name: number) =>
    queue(async () => {
      begun.push(name);
      await new Promise<void>((resolve) => open.push(resolve));
      return name;
    });
  const all = [1, 2, 3, 4, 5].map(work);
  await expect(work(6)).rejects.toMatchObject({ code: 'busy' });
  expect(begun).toEqual([1, 2]);
  open.shift()?.();
  await all[0];
  // One that comes in the very moment a place is free waits behind those who waited.
  all.push(work(7));
  await Promise.resolve();
  expect(begun).toEqual([1, 2, 3]);
  while (begun.length < 6 || open.length > 0) {
    open.shift()?.();
    await new Promise((resolve) => setImmediate(resolve));
  }
  expect(await Promise.all(all)).toEqual([1, 2, 3, 4, 5, 7]);
  expect(begun).toEqual([1, 2, 3, 4, 5, 7]);
});
