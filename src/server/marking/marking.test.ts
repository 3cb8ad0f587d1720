import type { PersonPoints } from '@/core/marking/marking';
import { putUser, userById, type User } from '../accounts/users';
import { assign, assignedTests } from '../delivery/assignments';
import { anyAttempt } from '../delivery/attempts';
import { beginAttempt, handIn, resumeAttempt, saveBatch } from '../delivery/delivery';
import { scoreAgain } from '../delivery/late';
import { ADMINISTRATOR, oneClass, testSchool, type TestSchool } from '../delivery/testSchool';
import { resultFor } from '../results/results';
import { mark, setMarkingRule } from './marking';
import { answerToMark, nextToMark, questionsToMark } from './queue';

const REF = 'reading-5';
const NAMES: Readonly<Record<string, string>> = { bao: 'Bao Reyes', ines: 'Ines Lindqvist' };
let school: TestSchool;
let teacher: User;
let scorer: User;
let third: User;
let administrator: User;
let attempts: { readonly id: string; readonly student: User }[] = [];

async function person(name: string, role: User['role']): Promise<User> {
  const id = await putUser(school.db, {
    signInName: name,
    displayName: NAMES[name] ?? name,
    role,
    password: 'p',
  });
  const user = userById(school.db, id);
  if (!user) throw new Error('nobody was added');
  return user;
}
/** Takes the test with one sentence for the question a person marks, and hands it in. */
async function take(student: User, words: string): Promise<{ id: string; student: User }> {
  const { db } = school;
  const [given] = assignedTests(db, student.id);
  const { attemptId } = beginAttempt(db, student, given?.assignmentId ?? 0, 2000);
  const { device } = resumeAttempt(db, student, attemptId, null, 2000);
  const event = {
    type: 'answered',
    item: REF,
    responses: { RESPONSE: words },
    how: 'typing',
    device,
    seq: 1,
    at: 2100,
  } as const;
  await saveBatch(db, student, attemptId, { device, events: [event], cursor: 0 }, 2100);
  handIn(db, student, attemptId, device, 'asked', 3000);
  return { id: attemptId, student };
}

beforeAll(async () => {
  school = await testSchool('content/skerry-sound-grade-6');
});
afterAll(() => school.close());
beforeEach(async () => {
  const { db } = school;
  for (const table of ['mark_log', 'marks', 'settled_marks', 'marking_rules'])
    db.prepare(`DELETE FROM ${table}`).run();
  db.prepare('UPDATE assignments SET released_at = NULL').run();
  if (attempts.length > 0) {
    for (const { id } of attempts) scoreAgain(db, anyAttempt(db, id));
    return;
  }
  const testId = db.prepare<[], { id: number }>('SELECT id FROM tests').get()?.id ?? 0;
  const students = [await person('bao', 'student'), await person('ines', 'student')];
  for (const { id } of students) assign(db, testId, id);
  attempts = [];
  for (const [i, student] of students.entries())
    attempts.push(await take(student, `She saw that it was gone, ${i}.`));
  teacher = await person('petra', 'teacher');
  oneClass(db);
  scorer = await person('noor', 'scorer');
  third = await person('tove', 'scorer');
  administrator = await person('edda', 'administrator');
});

const at = (i: number) => attempts[i] ?? { id: '', student: teacher };
const give = (by: User, i: number, points: number, now = 5000, note = '') =>
  mark(school.db, by, { attemptId: at(i).id, ref: REF, points: { SCORE: points }, note }, now);
const told = (i: number) => resultFor(school.db, at(i).student, at(i).id);
const listed = (by: User = scorer) => questionsToMark(school.db, by).find(({ ref }) => ref === REF);

test('what a person gives for an answer counts in the points of the test; until then it is said that it is not marked', () => {
  expect(told(0)).toMatchObject({ notMarked: 1, points: { score: 0, later: 2 } });
  expect(listed()).toMatchObject({ answers: 2, done: 0, forYou: 2, agreement: null });
  give(scorer, 0, 1.5);
  expect(told(0)).toMatchObject({ notMarked: 0, points: { score: 1.5, later: 0 } });
  expect(told(0)?.questions.find(({ ref }) => ref === REF)).toMatchObject({ verdict: 'partly', score: 1.5 });
  expect(told(1)).toMatchObject({ notMarked: 1 });
  expect(listed()).toMatchObject({ done: 1, forYou: 1 });
});

test('an answer comes as it was handed in, with its rubric and without a name, each of them once', () => {
  const first = nextToMark(school.db, scorer, { testId: listed()?.testId ?? 0, ref: REF }) ?? '';
  const answer = answerToMark(school.db, scorer, first, REF);
  expect(answer).toMatchObject({
    title: 'The last line',
    traits: [{ outcome: 'SCORE', minimum: 0, maximum: 2 }],
    machine: null,
    own: null,
    differ: null,
  });
  expect(answer.responses.RESPONSE).toMatch(/^She saw that it was gone/);
  expect(JSON.stringify(answer.rubrics)).toContain('2 points');
  expect(JSON.stringify(answer)).not.toMatch(/Bao Reyes|Ines Lindqvist/);
  const after = (id: string) =>
    nextToMark(school.db, scorer, { testId: answer.testId, ref: REF, after: id }) ?? '';
  expect(new Set([first, after(first)])).toEqual(new Set(attempts.map(({ id }) => id)));
  // Left for later it comes again.
  expect(after(after(first))).toBe(first);
});

test('what was given can be changed until the results are released, and every change is kept', () => {
  give(scorer, 0, 0, 5000);
  give(scorer, 0, 2, 6000, 'One detail, well chosen.');
  expect(told(0)?.points?.score).toBe(2);
  expect(answerToMark(school.db, scorer, at(0).id, REF).own).toEqual({
    points: { SCORE: 2 },
    note: 'One detail, well chosen.',
  });
  const log = school.db.prepare('SELECT points, at FROM mark_log ORDER BY id').all();
  expect(log).toEqual([
    { points: '{"SCORE":0}', at: 5000 },
    { points: '{"SCORE":2}', at: 6000 },
  ]);
  // It is found again by who gave it, once around, and by nobody else.
  const again = (by: User, after: string | null = null) =>
    nextToMark(school.db, by, { testId: listed()?.testId ?? 0, ref: REF, after, again: true });
  expect(listed()?.byYou).toBe(1);
  expect(again(scorer)).toBe(at(0).id);
  expect(again(scorer, at(0).id)).toBeNull();
  expect(again(teacher)).toBeNull();
  school.db.prepare('UPDATE assignments SET released_at = 7000').run();
  expect(listed()?.byYou).toBe(0);
  expect(again(scorer)).toBeNull();
  expect(() => give(scorer, 0, 1, 8000)).toThrow('released');
  expect(told(0)?.points?.score).toBe(2);
});

test('read twice: the mean counts; where two differ too much a third decides, told what the two gave', () => {
  const testId = listed()?.testId ?? 0;
  setMarkingRule(school.db, administrator, testId, { readers: 2, differBy: 1 });
  give(scorer, 0, 1, 5000);
  expect(told(0)).toMatchObject({ notMarked: 1, points: { score: 0, later: 2 } });
  // Once by each: the same reader does not read it again.
  expect(listed()).toMatchObject({ done: 0, forYou: 1 });
  give(teacher, 0, 2, 5100);
  expect(told(0)?.points?.score).toBe(1.5);
  give(scorer, 1, 0, 5200);
  give(teacher, 1, 2, 5300);
  expect(told(1)).toMatchObject({ notMarked: 1 });
  expect(listed(third)).toMatchObject({ done: 1, forYou: 1, agreement: { n: 2, exact: 0, adjacent: 0.5 } });
  expect(answerToMark(school.db, third, at(1).id, REF)).toMatchObject({ differ: [0, 2] });
  give(third, 1, 1, 5400);
  expect(told(1)?.points?.score).toBe(1);
  expect(() => give(administrator, 1, 1, 5500)).toThrow('marked');
  // The first two change their minds and agree: what they agree on counts.
  give(scorer, 1, 2, 5600);
  expect(told(1)?.points?.score).toBe(2);
});

test('another rule is for what is marked already too', () => {
  give(scorer, 0, 2);
  expect(told(0)?.points?.score).toBe(2);
  setMarkingRule(school.db, teacher, listed()?.testId ?? 0, { readers: 2, differBy: 0 });
  expect(told(0)).toMatchObject({ notMarked: 1, points: { score: 0 } });
  setMarkingRule(school.db, teacher, listed()?.testId ?? 0, { readers: 1, differBy: 0 });
  expect(told(0)?.points?.score).toBe(2);
});

test('what is not asked for, out of bounds, a machine’s, unfinished or somebody else’s is refused', async () => {
  const { db } = school;
  const unfit: readonly PersonPoints[] = [
    {},
    { SCORE: 2.1 },
    { SCORE: 3 },
    { SCORE: -1 },
    { STYLE: 1 },
    { SCORE: 1, STYLE: 1 },
  ];
  for (const points of unfit)
    expect(() => mark(db, scorer, { attemptId: at(0).id, ref: REF, points, note: '' }, 5000)).toThrow(
      'bad-input',
    );
  for (const ref of ['reading-1', 'nothing', 'constructor'])
    expect(() =>
      mark(db, scorer, { attemptId: at(0).id, ref, points: { SCORE: 1 }, note: '' }, 5000),
    ).toThrow('not-found');
  // Wren has not handed in.
  expect(() =>
    mark(db, scorer, { attemptId: school.attemptId, ref: REF, points: { SCORE: 1 }, note: '' }, 5000),
  ).toThrow('not-found');
  const elsewhere = await person('sten', 'teacher');
  expect(() => give(elsewhere, 0, 1)).toThrow('not-found');
  expect(questionsToMark(db, elsewhere)).toEqual([]);
  for (const by of [at(1).student, await person('ulla', 'proctor')]) {
    expect(() => give(by, 0, 1)).toThrow('not-yours');
    expect(() => questionsToMark(db, by)).toThrow('not-yours');
    expect(() => answerToMark(db, by, at(0).id, REF)).toThrow('not-yours');
  }
  expect(() => setMarkingRule(db, scorer, 1, { readers: 2, differBy: 1 })).toThrow('not-yours');
  expect(() => setMarkingRule(db, elsewhere, 1, { readers: 2, differBy: 1 })).toThrow('not-found');
  expect(questionsToMark(db, { ...administrator, ...ADMINISTRATOR })).toHaveLength(1);
  expect(told(0)?.points?.score).toBe(0);
});
