import type { GiveRequest } from '@/core/wire/requests';
import { USUAL } from '@/core/item/options';
import { putUser, userById, type User } from '../accounts/users';
import { resultFor } from '../results/results';
import { assignedTests } from './assignments';
import { attemptContent } from './content';
import { beginAttempt, handIn, resumeAttempt } from './delivery';
import { givableTests, give, givenBy, takeBack } from './giving';
import { addPetra, testSchool, type TestSchool } from './testSchool';

let school: TestSchool;
let petra: User;
let bao: User;
let testId: number;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6');
  const id = await putUser(school.db, {
    signInName: 'bao',
    displayName: 'Bao Reyes',
    role: 'student',
    password: 'bao-pass',
  });
  petra = await addPetra(school.db);
  const user = userById(school.db, id);
  if (!user) throw new Error('nobody was added');
  bao = user;
  testId = givableTests(school.db, petra)[0]?.testId ?? 0;
});
afterEach(() => school.close());

const giving = (change: Partial<GiveRequest> = {}): GiveRequest => ({
  testId,
  students: [bao.id],
  options: {},
  opensAt: null,
  closesAt: null,
  ...change,
});
const mine = (now = 5000) => assignedTests(school.db, bao.id, null, now);

test('a test is given, changed while nobody has begun it, and taken back', () => {
  expect(give(school.db, petra, giving(), 2000)).toEqual({ added: 1, changed: 0, begun: 0 });
  expect(mine()).toMatchObject([{ testId, given: USUAL, window: 'open' }]);
  expect(give(school.db, petra, giving({ options: { onePage: true, times: 3 } }), 3000)).toEqual({
    added: 0,
    changed: 1,
    begun: 0,
  });
  expect(mine()).toMatchObject([{ given: { onePage: true, times: 3 } }]);
  const [row] = givenBy(school.db, petra).filter(({ studentId }) => studentId === bao.id);
  expect(row).toMatchObject({ student: 'Bao Reyes', begun: false });
  takeBack(school.db, petra, row?.assignmentId ?? 0);
  expect(mine()).toEqual([]);
});

test('once it is begun it is not taken back, and how it is taken stays: only what comes after is changed', () => {
  const { student, db } = school;
  const [before] = assignedTests(db, student.id);
  const change = giving({
    students: [student.id, bao.id],
    options: { onePage: true, lockAfter: null, tells: 'thanks', times: 2, needed: 4, held: true },
  });
  expect(give(db, petra, change, 2000)).toEqual({ added: 1, changed: 0, begun: 1 });
  expect(assignedTests(db, student.id)[0]?.given).toEqual({
    ...USUAL,
    tells: 'thanks',
    times: 2,
    needed: 4,
    held: true,
  });
  expect(() => takeBack(db, petra, before?.assignmentId ?? 0)).toThrow('begun');
});

test('questions are mixed for each attempt where that is given, and tools taken away that nobody has then', () => {
  const { db } = school;
  give(db, petra, giving({ options: { mixed: true, toolsOff: ['highlighter'], times: 6 } }), 2000);
  const { assignmentId = 0 } = mine()[0] ?? {};
  const orders = Array.from({ length: 6 }, (_, i) => {
    const at = 3000 + i * 100;
    const { attemptId } = beginAttempt(db, bao, assignmentId, at);
    const open = () => {
      const { device } = resumeAttempt(db, bao, attemptId, null, at + 1);
      const { test } = attemptContent(db, bao, attemptId, at + 1);
      return {
        device,
        test,
        order: test.parts.flatMap(({ sections }) => sections.map(({ items }) => items)),
      };
    };
    const { test, order } = open();
    expect(Object.values(test.items).every(({ toolsOff }) => toolsOff.includes('highlighter'))).toBe(true);
    // The same however often it is opened.
    const again = open();
    expect(again.order).toEqual(order);
    handIn(db, bao, attemptId, again.device, 'asked', at + 2);
    return order;
  });
  // Each section keeps its questions.
  const [first = [], ...others] = orders.map((order) => order.map((items) => [...items].sort()));
  for (const one of others) expect(one).toEqual(first);
  expect(new Set(orders.map((order) => JSON.stringify(order))).size).toBeGreaterThan(1);
  expect(() => give(db, petra, giving({ options: { toolsOff: ['<script>'] } }), 2000)).toThrow();
});

test('it can be started in its time and not outside it; who has begun may finish', () => {
  give(school.db, petra, giving({ opensAt: 10_000, closesAt: 20_000 }), 2000);
  const [given] = mine();
  const id = given?.assignmentId ?? 0;
  expect(mine(9_999)[0]?.window).toBe('later');
  expect(() => beginAttempt(school.db, bao, id, 9_999)).toThrow('opens-later');
  expect(mine(20_000)[0]?.window).toBe('over');
  expect(() => beginAttempt(school.db, bao, id, 20_000)).toThrow('window-over');
  const { attemptId } = beginAttempt(school.db, bao, id, 10_000);
  expect(beginAttempt(school.db, bao, id, 30_000)).toEqual({ attemptId });
});

test('held results are thanks and nothing else until they are released', () => {
  const { db, student, attemptId, device } = school;
  give(db, petra, giving({ students: [student.id], options: { held: true } }), 2000);
  handIn(db, student, attemptId, device, 'asked', 3000);
  expect(resultFor(db, student, attemptId)).toMatchObject({ tells: 'thanks', points: null, questions: [] });
  expect(assignedTests(db, student.id)[0]?.past[0]?.points).toBeNull();
  db.prepare('UPDATE assignments SET released_at = 4000').run();
  expect(resultFor(db, student, attemptId)).toMatchObject({ tells: 'answers', points: { score: 0 } });
});

test('all or none: what is not reached, does not exist, or makes no sense is refused whole', async () => {
  const { db } = school;
  const sten = await putUser(db, { signInName: 'sten', displayName: 'Sten', role: 'teacher', password: 'p' });
  const elsewhere = userById(db, sten);
  if (!elsewhere) throw new Error('nobody was added');
  const refused: readonly (readonly [User, Partial<GiveRequest>, string])[] = [
    [elsewhere, {}, 'not-found'],
    [school.student, {}, 'not-yours'],
    [petra, { students: [bao.id, 999] }, 'not-found'],
    [petra, { students: [bao.id, petra.id] }, 'not-found'],
    [petra, { testId: 999 }, 'not-found'],
    [petra, { opensAt: 5000, closesAt: 5000 }, 'bad-input'],
  ];
  for (const [by, change, code] of refused) expect(() => give(db, by, giving(change), 2000)).toThrow(code);
  expect(() => give(db, petra, giving({ options: { faster: true } as never }), 2000)).toThrow('faster');
  expect(mine()).toEqual([]);
  expect(() => takeBack(db, petra, 999)).toThrow('not-found');
  expect(givenBy(db, elsewhere)).toEqual([]);
  expect(() => givableTests(db, school.student)).toThrow('not-yours');
});
