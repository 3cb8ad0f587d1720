import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { putUser, userById, type User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { filesAt } from '../library/files';
import { importPackage } from '../library/library';
import { answersFor, resultFor } from '../results/results';
import { assign, assignedTests } from './assignments';
import { attemptContent } from './content';
import { beginAttempt, handIn, resumeAttempt, saveBatch } from './delivery';
import { stateOf } from './eventLog';
import { checkItem } from './checking';

let folder: string;
let db: Db;
let student: User;
let attemptId: string;
let seq = 0;
let device: string;

const answer = async (item: string, responses: Record<string, string | null>, at: number) => {
  seq += 1;
  const event = { device, seq, at, type: 'answered', item, responses, how: 'edit' } as const;
  await saveBatch(db, student, attemptId, { device, events: [event], cursor: 0 }, at);
};
const check = (item: string, by: string | null, at: number) =>
  checkItem(db, student, { attemptId, item, by }, device, at).item;
const words = (body: unknown) => JSON.stringify(body);

beforeEach(async () => {
  seq = 0;
  folder = mkdtempSync(join(tmpdir(), 'able-server-'));
  db = openDatabase(join(folder, 'test.sqlite'));
  const { testIds } = importPackage(db, filesAt('content/every-kind-of-question'));
  const id = await putUser(db, {
    signInName: 'wren',
    displayName: 'Wren',
    role: 'student',
    password: 'wren-pass',
  });
  for (const testId of testIds) assign(db, testId, id);
  const user = userById(db, id);
  const assignment = assignedTests(db, id)[0];
  if (!user || !assignment) throw new Error('nothing is assigned');
  student = user;
  attemptId = beginAttempt(db, student, assignment.assignmentId, 1000).attemptId;
  device = resumeAttempt(db, student, attemptId, null, 1000).device;
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

test('an adaptive item: a hint, a wrong try, a right one; feedback is seen only when its try has come', async () => {
  const before = attemptContent(db, student, attemptId, 1500).test.items['end-attempt-1'];
  expect(before?.tries).toBe(0);
  expect(words(before)).not.toContain('Add 6 hours');
  await answer('end-attempt-1', { RESPONSE: 'A' }, 2000);
  expect(words(check('end-attempt-1', 'HINT', 2100))).toContain('Add 6 hours');
  const again = check('end-attempt-1', null, 2200);
  expect(words(again)).toContain('Not yet.');
  expect(words(again)).not.toContain('Add 6 hours');
  expect(stateOf(db, attemptId).items['end-attempt-1']).toMatchObject({ tries: 2, closed: false });
  await answer('end-attempt-1', { RESPONSE: 'B' }, 2300);
  expect(words(check('end-attempt-1', null, 2400))).toContain('That is right.');
  expect(stateOf(db, attemptId).items['end-attempt-1']).toMatchObject({ tries: 3, closed: true });
});

test('a closed question takes no more answers and no more checks', async () => {
  await answer('end-attempt-1', { RESPONSE: 'B' }, 2000);
  check('end-attempt-1', null, 2100);
  await answer('end-attempt-1', { RESPONSE: 'A' }, 2200);
  expect(stateOf(db, attemptId).items['end-attempt-1']?.responses.RESPONSE).toBe('B');
  expect(() => check('end-attempt-1', null, 2300)).toThrow('closed');
  handIn(db, student, attemptId, device, 'asked', 3000);
  const result = resultFor(db, student, attemptId)?.questions.find((one) => one.verdict === 'right');
  expect(result).toMatchObject({ score: 2, maximum: 2 });
});

test('a question that is not checked on the way is not', () => {
  expect(() => check('choice-1', null, 2000)).toThrow('closed');
  expect(() => check('no-such-question', null, 2000)).toThrow('not-found');
});

test('values are drawn once per attempt, shown, and scored against', async () => {
  const item = attemptContent(db, student, attemptId, 1500).test.items['end-attempt-2'];
  const [boarded, more] = [...words(item?.body).matchAll(/"text":"(\d+)"/g)].map((found) => Number(found[1]));
  if (boarded === undefined || more === undefined) throw new Error('no values are shown');
  expect(boarded).toBeGreaterThanOrEqual(12);
  expect(attemptContent(db, student, attemptId, 1500).test.items['end-attempt-2']).toEqual(item);
  await answer('end-attempt-2', { RESPONSE: String(boarded + more) }, 2000);
  expect(words(check('end-attempt-2', null, 2100))).toContain('That is right.');
});

test('answers can be looked at again after handing in, with right ones where the test shows them; not before', async () => {
  expect(answersFor(db, student, attemptId)).toBeNull();
  await answer('choice-1', { RESPONSE: 'C' }, 2000);
  handIn(db, student, attemptId, device, 'asked', 3000);
  const question = answersFor(db, student, attemptId)?.questions[0];
  expect(question).toMatchObject({
    verdict: 'wrong',
    responses: { RESPONSE: 'C' },
    solution: { RESPONSE: 'B' },
  });
});
