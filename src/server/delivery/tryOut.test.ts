import { addClass, putIntoClass } from '../accounts/classes';
import { endOldSessions, openSession } from '../accounts/sessions';
import { putUser, userById, type User } from '../accounts/users';
import { deletePackage, importPackage } from '../library/library';
import { filesAt } from '../library/files';
import { questionsToMark } from '../marking/queue';
import { classOverview } from '../results/overview';
import { resultFor } from '../results/results';
import { testsWithResults } from '../results/testResults';
import { attemptContent } from './content';
import { handIn, resumeAttempt } from './delivery';
import { give, givenBy } from './giving';
import { testSchool, type TestSchool } from './testSchool';
import { takerFor, tryGiven, tryTest } from './tryOut';

const DAY = 24 * 3_600_000;
const AS_SET = { student: null, scheme: null, magnification: null } as const;
let school: TestSchool;
let teacher: User;
let testId: number;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6', {
    needs: { timeMultiplier: 1.5, scheme: 'dusk' },
  });
  const { db, student } = school;
  const id = await putUser(db, { signInName: 'petra', displayName: 'Petra', role: 'teacher' });
  teacher = userById(db, id) as User;
  const classId = addClass(db, 'Harbor 6');
  for (const one of [id, student.id]) putIntoClass(db, classId, one);
  testId = db.prepare<[], { id: number }>('SELECT id FROM tests').get()?.id ?? 0;
});
afterEach(() => school.close());

const attemptsLeft = () => school.db.prepare('SELECT count(*) AS count FROM attempts').get();

test('a teacher takes a test as a student does, to its end, and it is counted nowhere', () => {
  const { db, student, attemptId: real } = school;
  const admin = { ...teacher, id: 0, role: 'administrator' } as const;
  const seen = () => [
    classOverview(db, admin).map((row) => row.attemptId),
    testsWithResults(db, admin),
    questionsToMark(db, admin),
    givenBy(db, admin),
  ];
  const before = seen();
  const { attemptId } = tryTest(db, teacher, testId, AS_SET, 2000);
  const trier = takerFor(db, teacher) as User;
  expect(trier).toMatchObject({ role: 'student', displayName: 'Petra', tries: true, guest: true });
  const { device } = resumeAttempt(db, trier, attemptId, null, 2100);
  expect(attemptContent(db, trier, attemptId, 2200).student).toMatchObject({ tries: true });
  handIn(db, trier, attemptId, device, 'asked', 3000);
  expect(resultFor(db, trier, attemptId)?.points).toMatchObject({ score: 0 });
  expect(seen()).toEqual(before);
  // A student's own attempt is no teacher's, and the other way round.
  expect(() => attemptContent(db, trier, real, 2200)).toThrow('not-found');
  expect(() => attemptContent(db, student, attemptId, 2200)).toThrow('not-found');
  expect(attemptContent(db, student, real, 2200).student).toMatchObject({ tries: false });
});

test('with the needs of a student they reach, and a scheme and size on top', async () => {
  const { db, student } = school;
  tryTest(db, teacher, testId, { student: student.id, scheme: null, magnification: 2 }, 2000);
  expect(takerFor(db, teacher)?.needs).toMatchObject({
    timeMultiplier: 1.5,
    scheme: 'dusk',
    magnification: 2,
  });
  tryTest(db, teacher, testId, { ...AS_SET, scheme: 'snow' }, 2000);
  expect(takerFor(db, teacher)?.needs).toMatchObject({ timeMultiplier: 1, scheme: 'snow', magnification: 1 });
  const other = await putUser(db, { signInName: 'olof', displayName: 'Olof', role: 'student' });
  expect(() => tryTest(db, teacher, testId, { ...AS_SET, student: other }, 2000)).toThrow('not-found');
  expect(() => tryTest(db, teacher, 999, AS_SET, 2000)).toThrow('not-found');
  expect(() => tryTest(db, { ...teacher, role: 'proctor' }, testId, AS_SET, 2000)).toThrow('not-yours');
});

test('what a student has been given, as they will get it: with their needs, in its order, without tools taken away, and nobody is waited for', async () => {
  const { db } = school;
  const id = await putUser(db, { signInName: 'ines', displayName: 'Ines', role: 'student' });
  db.prepare('UPDATE users SET needs = ? WHERE id = ?').run('{"scheme":"lantern"}', id);
  putIntoClass(db, 1, id);
  const options = {
    onePage: true,
    toolsOff: ['highlighter'],
    goAhead: true,
    ownsScreen: true,
    held: true,
    times: 2,
  };
  give(db, teacher, { testId, students: [id], options, opensAt: null, closesAt: null }, 1500);
  const [row] = givenBy(db, teacher).filter(({ studentId }) => studentId === id);
  const { attemptId } = tryGiven(db, teacher, row?.assignmentId ?? 0, 2000);
  const trier = takerFor(db, teacher) as User;
  expect(trier.needs.scheme).toBe('lantern');
  resumeAttempt(db, trier, attemptId, null, 2100);
  const { test } = attemptContent(db, trier, attemptId, 2200);
  expect(test.given).toMatchObject({ onePage: true, goAhead: false, ownsScreen: false, lockAfter: null });
  expect(test.items['reading-1']?.toolsOff).toContain('highlighter');
  // It is the student's own still, not begun.
  expect(givenBy(db, teacher).find(({ studentId }) => studentId === id)).toMatchObject({ begun: false });
  expect(() => tryGiven(db, { ...teacher, id: 0 }, row?.assignmentId ?? 0, 2000)).toThrow('not-found');
  expect(() => tryGiven(db, { ...teacher, role: 'proctor' }, row?.assignmentId ?? 0, 2000)).toThrow(
    'not-yours',
  );
  // What is given for practice is tried as practice.
  give(
    db,
    teacher,
    { testId, students: [id], options: { practice: true }, opensAt: null, closesAt: null },
    2500,
  );
  const practice = givenBy(db, teacher).find(({ options: { practice: one } }) => one);
  const again = tryGiven(db, teacher, practice?.assignmentId ?? 0, 3000);
  const practicing = takerFor(db, teacher) as User;
  resumeAttempt(db, practicing, again.attemptId, null, 3100);
  expect(attemptContent(db, practicing, again.attemptId, 3200).test.given.practice).toBe(true);
});

test('the next try takes the one before away, and a day later it is gone', () => {
  const { db } = school;
  tryTest(db, teacher, testId, AS_SET, 2000);
  const { attemptId } = tryTest(db, teacher, testId, AS_SET, 3000);
  expect(attemptsLeft()).toEqual({ count: 2 });
  // Sessions of others that end take nothing of it away.
  openSession(db, school.student.id, 3000);
  endOldSessions(db, 3000 + DAY / 2);
  expect(takerFor(db, teacher)).not.toBeNull();
  openSession(db, school.student.id, 3000 + DAY);
  endOldSessions(db, 3000 + 2 * DAY);
  expect(takerFor(db, teacher)).toBeNull();
  expect(attemptsLeft()).toEqual({ count: 1 });
  expect(attemptId).not.toBe('');
});

test('a student takes tests as themselves, others take none, and a version that is only tried out can be deleted', () => {
  const { db, student } = school;
  expect(takerFor(db, student)).toBe(student);
  expect(takerFor(db, teacher)).toBeNull();
  expect(takerFor(db, { ...teacher, role: 'proctor' })).toBeNull();
  const { packageId, testIds } = importPackage(db, filesAt('content/skerry-sound-crossing'));
  tryTest(db, teacher, testIds[0] ?? 0, AS_SET, 2000);
  deletePackage(db, teacher, packageId);
  expect(takerFor(db, teacher)).toBeNull();
});
