import { createDecipheriv } from 'node:crypto';
import { VECTOR_BYTES, type SealedBundle } from '@/core/wire/sealed';
import { userById, type User } from '../accounts/users';
import { assignedTests } from './assignments';
import { attemptContent } from './content';
import { beginAttempt, handIn, saveBatch } from './delivery';
import { stateOf } from './eventLog';
import { sealedTest, startSealed } from './sealed';
import { testSchool, type TestSchool } from './testSchool';

const TAG_BYTES = 16;
let school: TestSchool;
let attemptId: string;
let student: User;
const prepare = async (folder = 'content/skerry-sound-grade-6') => {
  school = await testSchool(folder, { now: 1000, needs: { timeMultiplier: 1.5 } });
  school.db.prepare('UPDATE assignments SET options = \'{"fetchFirst":true,"times":2}\'').run();
  handIn(school.db, school.student, school.attemptId, school.device, 'asked', 2000);
  const user = userById(school.db, school.student.id);
  if (!user) throw new Error('no student');
  student = user;
  ({ attemptId } = beginAttempt(school.db, student, listed()?.assignmentId ?? 0, 3000));
};
const listed = () => assignedTests(school.db, school.student.id)[0];
afterEach(() => school.close());

/** As a browser opens it (Web Cryptography, AES-GCM: the tag stands behind what it hides). */
function open(bytes: Buffer, key: string): SealedBundle {
  const opens = createDecipheriv('aes-256-gcm', Buffer.from(key, 'base64'), bytes.subarray(0, VECTOR_BYTES));
  opens.setAuthTag(bytes.subarray(bytes.length - TAG_BYTES));
  const plain = [opens.update(bytes.subarray(VECTOR_BYTES, bytes.length - TAG_BYTES)), opens.final()];
  return JSON.parse(Buffer.concat(plain).toString('utf8')) as SealedBundle;
}

test('it is sent before its clock starts, and nobody can read it', async () => {
  await prepare();
  const bytes = sealedTest(school.db, student, attemptId);
  expect(bytes.includes('ferry')).toBe(false);
  expect(bytes.includes('reading-1')).toBe(false);
  // Twice the same is not the same to look at.
  expect(sealedTest(school.db, student, attemptId).equals(bytes)).toBe(false);
  expect(listed()).toMatchObject({ state: 'not-started', attemptId, begunAt: null });
  expect(stateOf(school.db, attemptId).phase).toBe('not-started');
  expect(() => attemptContent(school.db, student, attemptId, 4000)).toThrow('not-begun');
  // Beginning again is harmless, and starts no clock either.
  expect(beginAttempt(school.db, student, listed()?.assignmentId ?? 0, 4000).attemptId).toBe(attemptId);
});

test('the clock starts with the key; what was sealed is what the attempt shows, its pictures with it', async () => {
  await prepare();
  const bytes = sealedTest(school.db, student, attemptId);
  const { key, device, state, serverNow } = startSealed(school.db, student, attemptId, null, 600_000);
  expect(serverNow).toBe(600_000);
  expect(state).toMatchObject({ phase: 'running', timing: { used: 0, limit: 45 * 60_000 * 1.5 } });
  const { content, assets } = open(bytes, key);
  expect(content).toEqual(JSON.parse(JSON.stringify(attemptContent(school.db, student, attemptId, 600_001))));
  expect(assets.map(({ path }) => path).sort()).toEqual([...content.test.assets].sort());
  expect(assets.length).toBeGreaterThan(0);
  const { phase } = await saveBatch(
    school.db,
    student,
    attemptId,
    { device, events: [], cursor: 0 },
    601_000,
  );
  expect(phase).toBe('running');
  expect(listed()).toMatchObject({ state: 'stopped', begunAt: 600_000 });
  // A byte that is another opens nothing.
  const spoiled = Buffer.from(bytes);
  spoiled[40] = (spoiled[40] ?? 0) ^ 1;
  expect(() => open(spoiled, key)).toThrow();
});

test('started once: another press is told that it has begun, and nothing is sent sealed any more', async () => {
  await prepare();
  const { device } = startSealed(school.db, student, attemptId, null, 5000);
  expect(() => startSealed(school.db, student, attemptId, null, 6000)).toThrow('begun');
  expect(() => sealedTest(school.db, student, attemptId)).toThrow('begun');
  handIn(school.db, student, attemptId, device, 'asked', 7000);
  expect(() => startSealed(school.db, student, attemptId, null, 8000)).toThrow('handed-in');
  expect(() => sealedTest(school.db, student, school.attemptId)).toThrow('handed-in');
});

test('where questions follow from answers, what may be seen first is what is sealed', async () => {
  await prepare('content/skerry-sound-crossing');
  const bytes = sealedTest(school.db, student, attemptId);
  const { key } = startSealed(school.db, student, attemptId, null, 5000);
  const { test } = open(bytes, key).content;
  const shown = attemptContent(school.db, student, attemptId, 5001).test;
  expect(Object.keys(test.items)).toEqual(Object.keys(shown.items));
  expect(Object.keys(test.items).length).toBeLessThan(test.count);
});
