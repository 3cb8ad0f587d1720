import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserEvent } from '@/core/attempt/events';
import { putUser, userById, type User } from '../accounts/users';
import { openSession, userOfSession } from '../accounts/sessions';
import { signIn } from '../accounts/signIn';
import { openDatabase, type Db } from '../db/open';
import { filesAt } from '../library/files';
import { importPackage } from '../library/library';
import { resultFor } from '../results/results';
import { assign, assignedTests } from './assignments';
import { attemptContent, beginAttempt, handIn, resumeAttempt, saveBatch, stopAttempt } from './delivery';
import { stateOf } from './eventLog';

const MINUTE = 60_000;
let folder: string;
let db: Db;
let student: User;
let other: User;
let assignmentId: number;

async function person(name: string): Promise<User> {
  const id = await putUser(db, {
    signInName: name,
    displayName: name,
    role: 'student',
    password: `${name}-pass`,
  });
  const user = userById(db, id);
  if (!user) throw new Error('no user');
  return user;
}

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'able-server-'));
  db = openDatabase(join(folder, 'test.sqlite'));
  const { testIds } = importPackage(db, filesAt('content/skerry-sound-grade-6'));
  student = await person('wren');
  other = await person('bao');
  assign(db, testIds[0] ?? 0, student.id);
  assignmentId = assignedTests(db, student.id)[0]?.assignmentId ?? 0;
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

const answer = (seq: number, at: number, value: string, item = 'reading-1'): BrowserEvent => ({
  type: 'answered',
  device: 'one',
  seq,
  at,
  item,
  responses: { RESPONSE: value },
  how: 'edit',
});
const send = (attemptId: string, events: BrowserEvent[], now: number, device = 'one') =>
  saveBatch(db, student, attemptId, { device, events, cursor: 0 }, now);
const begin = (now = 1000) => {
  const { attemptId } = beginAttempt(db, student, assignmentId, now);
  resumeAttempt(db, student, attemptId, 'one', now);
  return attemptId;
};

test('looking at a test starts nothing; beginning twice is one attempt', () => {
  expect(assignedTests(db, student.id)[0]?.state).toBe('not-started');
  const first = begin();
  expect(beginAttempt(db, student, assignmentId, 9000).attemptId).toBe(first);
  expect(stateOf(db, first).timing).toEqual({ limit: 45 * MINUTE, used: 0, runningSince: 1000 });
});

test('sending a batch twice keeps it once and acknowledges it again', async () => {
  const attemptId = begin();
  const events = [answer(1, 2000, 'A'), answer(2, 3000, 'B')];
  expect((await send(attemptId, events, 4000)).acknowledged).toBe(2);
  expect((await send(attemptId, events, 5000)).acknowledged).toBe(2);
  expect(db.prepare("SELECT count(*) AS n FROM events WHERE device = 'one'").get()).toEqual({ n: 2 });
  expect(stateOf(db, attemptId).items['reading-1']?.responses.RESPONSE).toBe('B');
  expect(db.prepare('SELECT value FROM responses').get()).toEqual({ value: '"B"' });
});

test('a gap in the numbers is not acknowledged over', async () => {
  const attemptId = begin();
  expect((await send(attemptId, [answer(1, 2000, 'A'), answer(3, 2500, 'C')], 4000)).acknowledged).toBe(1);
  expect((await send(attemptId, [answer(2, 2200, 'B')], 4500)).acknowledged).toBe(3);
});

test('time away from a browser that died does not count; stopping for now halts the clock', () => {
  const attemptId = begin(0);
  void send(attemptId, [], 10 * MINUTE);
  return new Promise((resolve) => setTimeout(resolve, 20)).then(() => {
    resumeAttempt(db, student, attemptId, 'two', 300 * MINUTE);
    expect(stateOf(db, attemptId).timing.used).toBe(10 * MINUTE);
    stopAttempt(db, student, attemptId, 'two', 305 * MINUTE);
    expect(stateOf(db, attemptId)).toMatchObject({
      phase: 'stopped',
      timing: { used: 15 * MINUTE, runningSince: null },
    });
  });
});

test('another browser takes over; the older one is told and what it sends is still kept', async () => {
  const attemptId = begin(0);
  await send(attemptId, [answer(1, 1000, 'A')], 1500);
  resumeAttempt(db, student, attemptId, 'two', 5000);
  const late = await send(attemptId, [answer(2, 4000, 'C', 'measuring-1')], 9000);
  expect(late.moved).toBe(true);
  expect(stateOf(db, attemptId).items['measuring-1']?.responses.RESPONSE).toBe('C');
  expect(() => stopAttempt(db, student, attemptId, 'one', 9000)).toThrow('moved');
});

test('when the time is over the test closes by itself and late answers do not count', async () => {
  const attemptId = begin(0);
  await send(attemptId, [answer(1, MINUTE, 'B')], 2 * MINUTE);
  const saved = await send(attemptId, [answer(2, 46 * MINUTE, 'A')], 46 * MINUTE);
  expect(saved.phase).toBe('handed-in');
  expect(resultFor(db, student, attemptId)?.questions[0]).toMatchObject({ verdict: 'right', score: 1 });
});

test('handing in scores every question; a person’s part is not marked yet', async () => {
  const attemptId = begin(0);
  await send(attemptId, [answer(1, 1000, 'B'), answer(2, 2000, 'She noticed.', 'reading-5')], 3000);
  handIn(db, student, attemptId, 'one', 'asked', 4000);
  const result = resultFor(db, student, attemptId);
  expect(result?.questions.map((one) => one.verdict)).toEqual([
    'right',
    'not-answered',
    'not-answered',
    'not-answered',
    'not-marked',
    ...Array<string>(7).fill('not-answered'),
  ]);
  expect(result).toMatchObject({ score: 1, notMarked: 1 });
  handIn(db, student, attemptId, 'one', 'asked', 5000);
});

test('claiming that the time is over does not close a test early', () => {
  const attemptId = begin(0);
  expect(() => handIn(db, student, attemptId, 'one', 'time', MINUTE)).toThrow('bad-input');
});

test('somebody else’s attempt is not there', () => {
  const attemptId = begin();
  expect(() => attemptContent(db, other, attemptId)).toThrow('not-found');
  expect(() => beginAttempt(db, other, assignmentId, 1)).toThrow('not-found');
});

test('an attempt lives through the database being closed without warning', async () => {
  const attemptId = begin();
  await send(attemptId, [answer(1, 2000, 'A')], 3000);
  const again = openDatabase(join(folder, 'test.sqlite'));
  expect(stateOf(again, attemptId).items['reading-1']?.responses.RESPONSE).toBe('A');
  again.close();
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
  test('guessing is slowed down per name, also with the right password, and ends with the window', async () => {
    for (let i = 0; i < 8; i += 1)
      await expect(signIn(db, { name: 'wren', password: 'no' }, `a${i}`, now + i)).rejects.toThrow();
    await expect(signIn(db, { name: 'wren', password: 'wren-pass' }, 'here', now + 9)).rejects.toMatchObject({
      code: 'too-many-tries',
      details: { minutes: 10 },
    });
    await expect(signIn(db, { name: 'bao', password: 'bao-pass' }, 'here', now + 9)).resolves.toBeDefined();
    await expect(
      signIn(db, { name: 'wren', password: 'wren-pass' }, 'here', now + 10 * MINUTE + 10),
    ).resolves.toBeDefined();
  }, 30_000);
  test('a session ends, and only a hash of its token is kept', () => {
    const { token } = openSession(db, student.id, now);
    expect(userOfSession(db, token, now + 1)?.id).toBe(student.id);
    expect(userOfSession(db, token, now + 13 * 60 * MINUTE)).toBeNull();
    expect(userOfSession(db, 'guess', now)).toBeNull();
    expect(JSON.stringify(db.prepare('SELECT * FROM sessions').all())).not.toContain(token);
  });
});
