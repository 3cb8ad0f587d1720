import { userByPassword } from '../accounts/users';
import { closeSession, openSession, userOfSession } from '../accounts/sessions';
import { classOverview } from '../results/overview';
import { resultFor } from '../results/results';
import { assignedTests } from './assignments';
import { beginAttempt, GUEST_QUOTA, handIn, resumeAttempt, saveBatch } from './delivery';
import { beginPractice, offerForPractice, practiceTests } from './practice';
import { ADMINISTRATOR, testSchool, type TestSchool } from './testSchool';

const HOUR = 3_600_000;
let school: TestSchool;
let testId: number;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6');
  testId = assignedTests(school.db, school.student.id)[0]?.testId ?? 0;
  offerForPractice(school.db, testId, { grade: '6', subject: 'Reading' });
  offerForPractice(school.db, testId, { grade: '6', subject: 'Reading' });
});
afterEach(() => school.close());

const countOf = (table: string) =>
  school.db.prepare<[], { count: number }>(`SELECT count(*) AS count FROM ${table}`).get()?.count ?? 0;
const TABLES = [
  ...['users', 'sessions', 'assignments', 'attempts', 'devices', 'events', 'responses'],
  ...['snapshots', 'item_sessions', 'item_results', 'test_results'],
];
const counts = () => Object.fromEntries(TABLES.map((table) => [table, countOf(table)]));

/** Practices: begins, answers one question, hands in. */
async function practice(now: number) {
  const { token, assignmentId } = beginPractice(school.db, testId, now);
  const guest = userOfSession(school.db, token, now);
  if (!guest) throw new Error('no guest');
  const { attemptId } = beginAttempt(school.db, guest, assignmentId, now);
  const { device } = resumeAttempt(school.db, guest, attemptId, null, now);
  const answered = {
    type: 'answered',
    item: 'reading-1',
    responses: { RESPONSE: 'B' },
    how: 'edit',
  } as const;
  const events = [{ ...answered, device, seq: 1, at: now + 10 }];
  await saveBatch(school.db, guest, attemptId, { device, events, cursor: 0 }, now + 20);
  handIn(school.db, guest, attemptId, device, 'asked', now + 30);
  return { token, guest, attemptId };
}

test('what is offered is listed once, with what is told of it', () => {
  expect(practiceTests(school.db)).toMatchObject([
    {
      testId,
      grade: '6',
      subject: 'Reading',
      title: 'Skerry Sound Spring Benchmark, grade 6',
      questions: 12,
    },
  ]);
});
test('a guest takes the test and is scored like anybody; with the session everything goes, and nothing else', async () => {
  const before = counts();
  const { token, guest, attemptId } = await practice(10_000);
  expect(guest).toMatchObject({ guest: true, role: 'student', displayName: '' });
  expect(resultFor(school.db, guest, attemptId)?.questions[0]?.verdict).toBe('right');
  expect(counts()).not.toEqual(before);
  closeSession(school.db, token);
  expect(counts()).toEqual(before);
});
test('who has an account is kept when a session ends', () => {
  const { token } = openSession(school.db, school.student.id, 5_000);
  const before = { ...counts(), sessions: countOf('sessions') - 1 };
  closeSession(school.db, token);
  expect(counts()).toEqual(before);
});
test('a guest who just went away is gone with the next sign-in after the session has ended by itself', async () => {
  const before = counts();
  const { guest } = await practice(10_000);
  openSession(school.db, school.student.id, 10_000 + HOUR);
  expect(countOf('users')).toBe((before.users ?? 0) + 1);
  openSession(school.db, school.student.id, 10_000 + 3 * HOUR);
  expect(school.db.prepare('SELECT 1 FROM users WHERE id = ?').get(guest.id)).toBeUndefined();
  expect(counts().events).toBe(before.events);
});
test('a guest is nobody: not at the desk, and no password lets anyone in', async () => {
  await practice(10_000);
  expect(classOverview(school.db, ADMINISTRATOR).map(({ student }) => student)).toEqual(['Wren']);
  const [row] = school.db
    .prepare<[], { sign_in_name: string }>('SELECT sign_in_name FROM users WHERE guest = 1')
    .all();
  await expect(userByPassword(school.db, row?.sign_in_name ?? '', '')).resolves.toBeNull();
});
test('a guest’s attempt holds less than a student’s', async () => {
  const { token, assignmentId } = beginPractice(school.db, testId, 10_000);
  const guest = userOfSession(school.db, token, 10_000);
  if (!guest) throw new Error('no guest');
  const { attemptId } = beginAttempt(school.db, guest, assignmentId, 10_000);
  const { device } = resumeAttempt(school.db, guest, attemptId, null, 10_000);
  const say = (seq: number) => {
    const event = { type: 'opened', item: 'reading-1', device, seq, at: 10_000 + seq } as const;
    return saveBatch(school.db, guest, attemptId, { device, events: [event], cursor: 0 }, 10_000 + seq);
  };
  await expect(say(1)).resolves.toMatchObject({ acknowledged: 1 });
  school.db.prepare('UPDATE attempts SET event_letters = ?').run(GUEST_QUOTA.letters + 1);
  await expect(say(2)).rejects.toThrow('too-much');
});
test('what is not offered is not there; and so many may practice, and no more', () => {
  expect(() => beginPractice(school.db, 9_999, 10_000)).toThrow('not-found');
  for (let i = 0; i < 500; i += 1) beginPractice(school.db, testId, 10_000 + i);
  expect(() => beginPractice(school.db, testId, 20_000)).toThrow('busy');
  // Those whose sessions are over make room.
  expect(beginPractice(school.db, testId, 20_000 + 13 * HOUR).token).toBeTruthy();
});
