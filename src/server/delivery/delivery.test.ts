import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserEvent } from '@/core/attempt/events';
import { putUser, userById, type User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { filesAt } from '../library/files';
import { deletePackage, importPackage, loadTest } from '../library/library';
import { resultFor } from '../results/results';
import { assign, assignedTests } from './assignments';
import { attemptAsset, attemptContent } from './content';
import {
  beginAttempt,
  handIn,
  QUOTA,
  resumeAttempt,
  saveBatch,
  SILENCE_COUNTS_MS,
  stopAttempt,
} from './delivery';
import { stateOf } from './eventLog';

/** Somebody who keeps the library. */
const KEEPER = { id: 0, role: 'administrator' } as User;

const MINUTE = 60_000;
let folder: string;
let db: Db;
let student: User;
let other: User;
let assignmentId: number;
/** The page the attempt was opened in last. */
let one: string;

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
  device: one,
  seq,
  at,
  item,
  responses: { RESPONSE: value },
  how: 'edit',
});
const send = (attemptId: string, events: BrowserEvent[], now: number, device = one, cursor = 0) =>
  saveBatch(db, student, attemptId, { device, events, cursor }, now);
const begin = (now = 1000) => {
  const { attemptId } = beginAttempt(db, student, assignmentId, now);
  one = open(attemptId, now);
  return attemptId;
};
/** Opens the attempt in another page; gives its name. */
const open = (attemptId: string, now: number) => resumeAttempt(db, student, attemptId, null, now).device;
const responseTo = (attemptId: string, item: string) =>
  stateOf(db, attemptId).items[item]?.responses.RESPONSE ?? null;

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
  expect(db.prepare('SELECT count(*) AS n FROM events WHERE device = ?').get(one)).toEqual({ n: 2 });
  expect(stateOf(db, attemptId).items['reading-1']?.responses.RESPONSE).toBe('B');
  expect(db.prepare('SELECT value FROM responses').get()).toEqual({ value: '"B"' });
});

test('a gap in the numbers is not acknowledged over', async () => {
  const attemptId = begin();
  expect((await send(attemptId, [answer(1, 2000, 'A'), answer(3, 2500, 'C')], 4000)).acknowledged).toBe(1);
  expect((await send(attemptId, [answer(2, 2200, 'B')], 4500)).acknowledged).toBe(3);
});

test('of the time away from a browser that died only a bounded silence counts; stopping for now halts the clock', async () => {
  const attemptId = begin(0);
  await send(attemptId, [], 10 * MINUTE);
  const two = open(attemptId, 300 * MINUTE);
  expect(stateOf(db, attemptId).timing.used).toBe(10 * MINUTE + SILENCE_COUNTS_MS);
  stopAttempt(db, student, attemptId, two, 305 * MINUTE);
  expect(stateOf(db, attemptId)).toMatchObject({
    phase: 'stopped',
    timing: { used: 15 * MINUTE + SILENCE_COUNTS_MS, runningSince: null },
  });
});

test('another browser takes over; the older one is told and what it sends is still kept', async () => {
  const attemptId = begin(0);
  await send(attemptId, [answer(1, 1000, 'A')], 1500);
  open(attemptId, 5000);
  const late = await send(attemptId, [answer(2, 4000, 'C', 'measuring-1')], 9000);
  expect(late.moved).toBe(true);
  expect(stateOf(db, attemptId).items['measuring-1']?.responses.RESPONSE).toBe('C');
  expect(() => stopAttempt(db, student, attemptId, one, 9000)).toThrow('moved');
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
  handIn(db, student, attemptId, one, 'asked', 4000);
  const result = resultFor(db, student, attemptId);
  expect(result?.questions.map((one) => one.verdict)).toEqual([
    'right',
    'not-answered',
    'not-answered',
    'not-answered',
    'not-marked',
    ...Array<string>(7).fill('not-answered'),
  ]);
  expect(result).toMatchObject({ points: { score: 1 }, notMarked: 1 });
  handIn(db, student, attemptId, one, 'asked', 5000);
});

test('claiming that the time is over does not close a test early', () => {
  const attemptId = begin(0);
  expect(() => handIn(db, student, attemptId, one, 'time', MINUTE)).toThrow('bad-input');
});

test('somebody else’s attempt is not there', () => {
  const attemptId = begin();
  expect(() => attemptContent(db, other, attemptId, 2000)).toThrow('not-found');
  expect(() => beginAttempt(db, other, assignmentId, 1)).toThrow('not-found');
});

test('an attempt lives through the database being closed without warning', async () => {
  const attemptId = begin();
  await send(attemptId, [answer(1, 2000, 'A')], 3000);
  const again = openDatabase(join(folder, 'test.sqlite'));
  expect(stateOf(again, attemptId).items['reading-1']?.responses.RESPONSE).toBe('A');
  again.close();
});

test('taking a test over in one moment leaves it running, whichever way its events are put in order', () => {
  const attemptId = begin();
  open(attemptId, 5000);
  open(attemptId, 5000);
  expect(stateOf(db, attemptId)).toMatchObject({ phase: 'running', holds: [] });
  expect(db.prepare('SELECT phase, holds FROM attempts').get()).toEqual({ phase: 'running', holds: '[]' });
});

describe('what a browser says is not believed', () => {
  const opened = (seq: number, item: string): BrowserEvent => ({
    type: 'opened',
    device: one,
    seq,
    at: 2000,
    item,
  });
  const struck = (response: string): BrowserEvent => ({
    type: 'struck',
    device: one,
    seq: 1,
    at: 2000,
    item: 'reading-1',
    response,
    choice: 'A',
    on: true,
  });
  test('only pages the server named may speak, and nobody as the server', async () => {
    const attemptId = begin();
    await expect(send(attemptId, [answer(1, 2000, 'A')], 3000, 'server')).rejects.toMatchObject({
      code: 'unknown-device',
    });
    await expect(send(attemptId, [answer(1, 2000, 'A')], 3000, 'made-up')).rejects.toMatchObject({
      code: 'unknown-device',
    });
    handIn(db, student, attemptId, one, 'asked', 4000);
    expect(stateOf(db, attemptId).phase).toBe('handed-in');
  });
  test.each<[string, () => BrowserEvent]>([
    ['a question that is not there', () => opened(1, 'nobody')],
    ['the name of something every object has', () => opened(1, '__proto__')],
    ['an answer to a question that is not there', () => answer(1, 2000, 'A', 'constructor')],
    ['a choice that is not offered', () => answer(1, 2000, 'Z')],
    [
      'a response that is not declared',
      () => ({ ...answer(1, 2000, 'A'), responses: { toString: 'A' } }) as BrowserEvent,
    ],
    [
      'several where one is wanted',
      () => ({ ...answer(1, 2000, 'A'), responses: { RESPONSE: ['A', 'B'] } }) as BrowserEvent,
    ],
    ['a strike in a response that is not there', () => struck('NOPE')],
    [
      'a mark on a text that is not there',
      () => ({
        type: 'highlighted',
        device: one,
        seq: 1,
        at: 2000,
        text: 'stimulus:nobody',
        start: 0,
        end: 4,
        exact: 'word',
        colour: 'kelp',
      }),
    ],
  ])('%s is refused whole', async (_what, event) => {
    const attemptId = begin();
    await expect(send(attemptId, [event()], 3000)).rejects.toMatchObject({ code: 'bad-input' });
    expect(db.prepare('SELECT count(*) AS n FROM events WHERE device = ?').get(one)).toEqual({ n: 0 });
  });
  test('an attempt holds so much and no more', async () => {
    const attemptId = begin();
    db.prepare('UPDATE attempts SET event_letters = ?').run(QUOTA.letters + 1);
    await expect(send(attemptId, [answer(1, 2000, 'A')], 3000)).rejects.toMatchObject({ code: 'too-much' });
    expect((await send(attemptId, [], 3000)).phase).toBe('running');
  });
  test('what others said comes in pieces a reply can carry, and none is passed over', async () => {
    const attemptId = begin();
    const text = 'kelp '.repeat(19_000);
    const events = Array.from({ length: 40 }, (_, i) => answer(i + 1, 2000 + i, `${text}${i}`, 'reading-5'));
    for (const event of events) await send(attemptId, [event], 3000);
    const two = open(attemptId, 4000);
    let cursor = 0;
    const heard: number[] = [];
    for (let i = 0; i < 20; i += 1) {
      const reply = await send(attemptId, [], 5000, two, cursor);
      expect(JSON.stringify(reply).length).toBeLessThan(1_300_000);
      heard.push(...reply.others.filter((event) => event.type === 'answered').map((event) => event.seq));
      if (reply.cursor === cursor) break;
      cursor = reply.cursor;
    }
    expect(heard).toEqual(events.map((event) => event.seq));
  });
  test('a long attempt opens from a kept state and is the same', async () => {
    const attemptId = begin();
    const events = Array.from({ length: 450 }, (_, i) => answer(i + 1, 2000 + i, 'ABC'[i % 3] ?? 'A'));
    await send(attemptId, events.slice(0, 400), 4000);
    const before = stateOf(db, attemptId);
    expect(db.prepare('SELECT count(*) AS n FROM snapshots').get()).toEqual({ n: 1 });
    expect(stateOf(db, attemptId)).toEqual(before);
    await send(attemptId, events.slice(400), 5000);
    const after = stateOf(db, attemptId);
    db.prepare('DELETE FROM snapshots').run();
    expect(stateOf(db, attemptId)).toEqual(after);
  });
});

describe('the clock cannot be beaten', () => {
  test('answers stamped in time and sent after the end are kept and do not count', async () => {
    const attemptId = begin(0);
    await send(attemptId, [answer(1, MINUTE, 'A')], MINUTE);
    const late = await send(attemptId, [answer(2, 44 * MINUTE, 'B')], 50 * MINUTE);
    expect(late).toMatchObject({ acknowledged: 2, phase: 'handed-in' });
    expect(responseTo(attemptId, 'reading-1')).toBe('A');
    expect(db.prepare('SELECT standing FROM events WHERE device = ? AND seq = 2').get(one)).toEqual({
      standing: 'late',
    });
    expect(resultFor(db, student, attemptId)?.questions[0]).toMatchObject({ verdict: 'wrong' });
  });
  test('one whose later numbers were here in time was given before, and counts', async () => {
    const attemptId = begin(0);
    await send(attemptId, [answer(2, 2 * MINUTE, 'C', 'measuring-1')], 2 * MINUTE);
    await send(attemptId, [], 46 * MINUTE);
    await send(attemptId, [answer(1, MINUTE, 'B')], 50 * MINUTE);
    expect(responseTo(attemptId, 'reading-1')).toBe('B');
  });
  test('what was on its way at the end counts', async () => {
    const attemptId = begin(0);
    await send(attemptId, [answer(1, 45 * MINUTE - 10, 'B')], 45 * MINUTE + 1500);
    await send(attemptId, [], 46 * MINUTE);
    expect(resultFor(db, student, attemptId)?.questions[0]).toMatchObject({ verdict: 'right' });
  });
  test('while it is stopped nothing is shown and nothing counts', async () => {
    const attemptId = begin(0);
    stopAttempt(db, student, attemptId, one, MINUTE);
    expect(() => attemptContent(db, student, attemptId, 2 * MINUTE)).toThrow('stopped');
    expect(() => attemptAsset(db, student, attemptId, 'images/channel.svg', 2 * MINUTE)).toThrow('not-found');
    await send(attemptId, [answer(1, 2 * MINUTE, 'B')], 3 * MINUTE);
    open(attemptId, 4 * MINUTE);
    expect(responseTo(attemptId, 'reading-1')).toBeNull();
  });
  test('silence and another page gain at most the bounded silence', async () => {
    const attemptId = begin(0);
    await send(attemptId, [], 1000);
    open(attemptId, 26_000);
    expect(stateOf(db, attemptId).timing.used).toBe(26_000);
  });
});

describe('an attempt is of what it was begun on', () => {
  test('a new version changes nothing of it, and cannot be taken from under it', async () => {
    const attemptId = begin(0);
    await send(attemptId, [answer(1, 1000, 'B')], 1500);
    const files = filesAt('content/skerry-sound-grade-6');
    const key = 'items/reading-1.xml';
    const changed = new TextEncoder().encode(
      new TextDecoder()
        .decode(files.read(key))
        .replace('<qti-value>B</qti-value>', '<qti-value>C</qti-value>'),
    );
    const newer = importPackage(db, {
      paths: files.paths,
      read: (path) => (path === key ? changed : files.read(path)),
    });
    const older = Number((db.prepare('SELECT test_id FROM attempts').get() as { test_id: number }).test_id);
    expect(newer.testIds).not.toContain(older);
    assign(db, newer.testIds[0] ?? 0, other.id);
    handIn(db, student, attemptId, one, 'asked', 4000);
    expect(resultFor(db, student, attemptId)?.questions[0]).toMatchObject({ verdict: 'right' });
    expect(assignedTests(db, other.id)[0]?.testId).toBe(newer.testIds[0]);
    const packageOfOlder = loadTest(db, older)?.packageId ?? 0;
    expect(() => deletePackage(db, KEEPER, packageOfOlder)).toThrow('in-use');
    expect(() => db.prepare('DELETE FROM packages WHERE id = ?').run(packageOfOlder)).toThrow('FOREIGN KEY');
  });
  test('what is assigned and not begun is given in the newest version', () => {
    const files = filesAt('content/skerry-sound-grade-6');
    const paths = new Set([...files.paths, 'images/more.svg']);
    const newer = importPackage(db, {
      paths,
      read: (path) => (files.paths.has(path) ? files.read(path) : new Uint8Array()),
    });
    expect(assignedTests(db, student.id)[0]?.testId).toBe(newer.testIds[0]);
    expect(importPackage(db, files).content).toBeNull();
    expect(assignedTests(db, student.id)[0]?.testId).not.toBe(newer.testIds[0]);
  });
  test('its form is in its beginning', () => {
    const attemptId = begin(0);
    expect(stateOf(db, attemptId).form?.parts[0]?.questions).toHaveLength(12);
  });
});
