import { asPractice, forReal, readOptions, USUAL } from '@/core/item/options';
import { putUser, userById, type User } from '../accounts/users';
import { OF_ATTEMPTS } from '../db/ofAttempts';
import { questionsToMark } from '../marking/queue';
import { classOverview } from '../results/overview';
import { answersOf, resultFor } from '../results/results';
import { questionRows, resultsBehind, resultsOfTest, testsWithResults } from '../results/testResults';
import { previewRescoring } from '../results/rescoring';
import { assignedTests, type AssignedTest } from './assignments';
import { beginAttempt, handIn, resumeAttempt, saveBatch } from './delivery';
import { give, givenBy, takeBack } from './giving';
import { enterRoom, openRoom, roomTests } from './rooms';
import { hold } from './supervise';
import { addPetra, testSchool, type TestSchool } from './testSchool';

/** Of the benchmark: what a person reads. */
const READ = 'reading-5';
let school: TestSchool;
let petra: User;
let ines: User;
let testId: number;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6');
  const id = await putUser(school.db, {
    signInName: 'ines',
    displayName: 'Ines Lindqvist',
    role: 'student',
    password: 'ines-pass',
  });
  petra = await addPetra(school.db);
  const user = userById(school.db, id);
  if (!user) throw new Error('nobody was added');
  ines = user;
  testId = assignedTests(school.db, school.student.id)[0]?.testId ?? 0;
});
afterEach(() => school.close());

const giveInes = (options: Parameters<typeof readOptions>[0]) =>
  give(
    school.db,
    petra,
    { testId, students: [ines.id], options: options as object, opensAt: null, closesAt: null },
    2000,
  );
const mine = () => assignedTests(school.db, ines.id);

/** Takes it with words for the question that a person reads, and hands it in. */
async function take({ assignmentId }: AssignedTest, now: number): Promise<string> {
  const { db } = school;
  const { attemptId } = beginAttempt(db, ines, assignmentId, now);
  const { device } = resumeAttempt(db, ines, attemptId, null, now);
  const event = {
    type: 'answered',
    item: READ,
    responses: { RESPONSE: 'The lamp was out.' },
    how: 'typing',
    device,
    seq: 1,
    at: now + 100,
  } as const;
  await saveBatch(db, ines, attemptId, { device, events: [event], cursor: 0 }, now + 100);
  handIn(db, ines, attemptId, device, 'asked', now + 1000);
  return attemptId;
}

test('what needs somebody to be there does not go with practice, and is refused by its name', () => {
  expect(readOptions({ practice: true })).toEqual({ ...USUAL, practice: true, lockAfter: null });
  for (const [name, value] of Object.entries({
    goAhead: true,
    ownsScreen: true,
    held: true,
    lockAfter: 30,
  })) {
    expect(() => readOptions({ practice: true, [name]: value })).toThrow(`${name} does not go with practice`);
    expect(() => readOptions({ [name]: value })).not.toThrow();
  }
  // What the form makes of it is never refused.
  const strict = readOptions({ goAhead: true, ownsScreen: true, held: true, lockAfter: 30, times: 3 });
  expect(readOptions(asPractice(strict))).toEqual({ ...USUAL, practice: true, lockAfter: null, times: 3 });
  expect(readOptions(forReal(asPractice(USUAL)))).toEqual(USUAL);
});

test('a test is given to a student for practice and for real, each on its own', () => {
  const { db } = school;
  expect(giveInes({ practice: true, times: 2 })).toEqual({ added: 1, changed: 0, begun: 0 });
  expect(giveInes({ practice: true, times: 5 })).toEqual({ added: 0, changed: 1, begun: 0 });
  expect(giveInes({})).toEqual({ added: 1, changed: 0, begun: 0 });
  expect(giveInes({ onePage: true })).toEqual({ added: 0, changed: 1, begun: 0 });
  expect(mine().map(({ given }) => [given.practice, given.times, given.onePage])).toEqual([
    [true, 5, false],
    [false, 1, true],
  ]);
  const [practice] = givenBy(db, petra).filter(({ options }) => options.practice);
  takeBack(db, petra, practice?.assignmentId ?? 0);
  expect(mine().map(({ given }) => given.practice)).toEqual([false]);
});

test('practice is nobody else’s: not at the desk, not marked, in no results, and what a person would read says so', async () => {
  const { db } = school;
  giveInes({ practice: true, times: 2 });
  const [practice] = mine();
  if (!practice) throw new Error('nothing is given');
  const attemptId = await take(practice, 3000);

  const students = () => classOverview(db, petra).map(({ student }) => student);
  expect(students()).toEqual(['Wren']);
  expect(testsWithResults(db, petra)).toEqual([]);
  expect(resultsOfTest(db, petra, testId)).toEqual([]);
  expect(questionRows(db, petra, testId)).toEqual([]);
  expect(questionsToMark(db, petra)).toEqual([]);
  await expect(previewRescoring(db, petra, testId, testId)).rejects.toThrow('not-found');
  expect(() => answersOf(db, petra, attemptId)).toThrow('not-found');
  expect(() => hold(db, petra, attemptId, 5000)).toThrow('not-found');

  const told = resultFor(db, ines, attemptId);
  expect(told).toMatchObject({ practice: true, tells: 'answers', notMarked: 1 });
  expect(told?.questions.find(({ ref }) => ref === READ)?.verdict).toBe('never-marked');
  expect(told?.points?.later).toBeGreaterThan(0);
  expect(mine()).toMatchObject([{ again: true }]);

  // The same test for real is all of that.
  const before = resultsBehind(db, petra, testId);
  giveInes({});
  const real = mine().find(({ given }) => !given.practice);
  if (!real) throw new Error('nothing is given');
  const counted = await take(real, 6000);
  expect(students()).toEqual(['Ines Lindqvist', 'Wren']);
  expect(testsWithResults(db, petra)).toMatchObject([{ testId, handedIn: 1, toMark: 1 }]);
  expect(resultsOfTest(db, petra, testId).map((one) => one.attemptId)).toEqual([counted]);
  expect(new Set(questionRows(db, petra, testId).map((one) => one.attemptId))).toEqual(new Set([counted]));
  expect(questionsToMark(db, petra)).toHaveLength(1);
  expect(resultsBehind(db, petra, testId)).not.toBe(before);
  expect(resultFor(db, ines, counted)?.questions.find(({ ref }) => ref === READ)?.verdict).toBe('not-marked');
});

test('a room is for what is for real: who has a test only for practice does not come in by its code', () => {
  const { db } = school;
  for (const table of [...OF_ATTEMPTS, 'attempts', 'assignments']) db.prepare(`DELETE FROM ${table}`).run();
  giveInes({ practice: true });
  expect(roomTests(db, petra)).toEqual([]);
  giveInes({});
  const { code } = openRoom(db, petra, testId, 5000);
  const real = mine().find(({ given }) => !given.practice);
  expect(enterRoom(db, { code, name: 'ines' }, '10.0.0.1', 5100).assignmentId).toBe(real?.assignmentId);
  takeBack(db, petra, real?.assignmentId ?? 0);
  expect(() => enterRoom(db, { code, name: 'ines' }, '10.0.0.1', 5200)).toThrow('wrong-name-or-code');
});
