import { unzipSync } from 'fflate';
import { parseTable } from '@/core/table/csv';
import { DEMO_OTHER_CLASS, takeTogether } from './demoClass';
import { putUser, userById, type User } from '@/server/accounts/users';
import { openDatabase, type Db } from '@/server/db/open';
import { assign } from '@/server/delivery/assignments';
import { ADMINISTRATOR, oneClass } from '@/server/delivery/testSchool';
import { filesAt } from '@/server/library/files';
import { importPackage } from '@/server/library/library';
import { mark } from '@/server/marking/marking';
import { figuresTable, resultsArchive, studentsTable } from '@/server/results/exports';
import { figuresOf } from '@/server/results/itemStatistics';
import { answersFor, answersOf, resultFor } from '@/server/results/results';
import { release, resultsOfTest, testsWithResults } from '@/server/results/testResults';

/** A class of forty that has taken the benchmark, as the demo has it. */
let db: Db;
let testId: number;
let students: number[];
let teacher: User;
let elsewhere: User;
const administrator = ADMINISTRATOR as unknown as User;

async function person(name: string, role: User['role']): Promise<User> {
  const user = userById(db, await putUser(db, { signInName: name, displayName: name, role }));
  if (!user) throw new Error('nobody was added');
  return user;
}
beforeAll(async () => {
  db = openDatabase(':memory:');
  testId = importPackage(db, filesAt('content/skerry-sound-grade-6')).testIds[0] ?? 0;
  students = [];
  for (const { name, signInName } of DEMO_OTHER_CLASS.students) {
    const id = await putUser(db, { signInName, displayName: name, role: 'student' });
    assign(db, testId, id, { held: true });
    students.push(id);
  }
  // A name that a spreadsheet would take for a formula.
  db.prepare('UPDATE users SET display_name = ? WHERE id = ?').run('=1+1', students[0] ?? 0);
  teacher = await person('sten', 'teacher');
  oneClass(db);
  elsewhere = await person('petra', 'teacher');
  await takeTogether(db, students, 1_000_000);
}, 120_000);
afterAll(() => db.close());

test('a test has its attempts, with what each is worth, as the students are told it once it is released', () => {
  const [test] = testsWithResults(db, teacher);
  expect(test).toMatchObject({ testId, handedIn: 40, held: 40 });
  const rows = resultsOfTest(db, teacher, testId);
  expect(rows).toHaveLength(40);
  const [row] = rows;
  const student = userById(db, students[0] ?? 0);
  if (!row || !student) throw new Error('nothing was handed in');
  expect(row).toMatchObject({ student: '=1+1', held: true });
  expect(resultFor(db, student, row.attemptId)?.points).toBeNull();
  expect(() => answersFor(db, student, row.attemptId)).toThrow('not-found');
  expect(answersOf(db, teacher, row.attemptId)?.questions).toHaveLength(12);
  expect(release(db, teacher, testId, { told: true }, 9_000_000)).toEqual({ changed: 40 });
  expect(release(db, teacher, testId, { told: true }, 9_000_001)).toEqual({ changed: 0 });
  expect(resultFor(db, student, row.attemptId)?.points).toEqual(row.points);
  expect(release(db, teacher, testId, { told: false }, 9_000_002)).toEqual({ changed: 40 });
  expect(resultFor(db, student, row.attemptId)?.points).toBeNull();
});

test('the figures are those of the answers that were given', () => {
  const { n, few, questions, test, totals } = figuresOf(db, teacher, testId);
  expect([n, few]).toEqual([40, false]);
  const rows = resultsOfTest(db, teacher, testId);
  const mean = rows.reduce((sum, { points }) => sum + (points?.score ?? 0), 0) / rows.length;
  expect(test.mean).toBeCloseTo(mean, 9);
  expect(totals.reduce((a, b) => a + b, 0) / n).toBeCloseTo(mean, 9);
  expect(test.items).toBe(11);
  expect(test.alpha).toBeGreaterThan(0.3);
  const choice = questions.find(({ ref }) => ref === 'reading-1');
  expect(choice?.options.filter(({ right }) => right)).toHaveLength(1);
  const chosen = choice?.options.reduce((sum, option) => sum + option.n, 0) ?? 0;
  expect(chosen + (choice?.omitted ?? 0) + (choice?.notReached ?? 0)).toBe(40);
  expect(choice?.options.find(({ right }) => right)?.share).toBeCloseTo(choice?.difficulty ?? 0, 9);
  expect(choice?.medianMs).toBeGreaterThan(20_000);
  // What a person has still to mark is in none of the figures; once marked, it is.
  const before = questions.find(({ ref }) => ref === 'reading-5');
  expect(before?.toMark).toBeGreaterThan(30);
  for (const { attemptId, toMark } of rows)
    if (toMark) mark(db, teacher, { attemptId, ref: 'reading-5', points: { SCORE: 1 }, note: '' }, 5e6);
  const after = figuresOf(db, teacher, testId);
  expect(after.questions.find(({ ref }) => ref === 'reading-5')).toMatchObject({ toMark: 0, n: 40 });
  expect(after.test.items).toBe(12);
  expect(after.test.mean).toBeGreaterThan(mean);
});

test('the tables are RFC 4180, and nothing in them is a formula', () => {
  const bytes = (text: string) => new TextEncoder().encode(text);
  const written = studentsTable(db, teacher, testId);
  expect(written).toMatch(/\r\n$/);
  const table = parseTable(bytes(written), 'results.csv');
  expect(table.header.slice(0, 5)).toEqual(['student', 'sign_in_name', 'attempt', 'handed_in', 'minutes']);
  expect(table.header).toContain('reading-1');
  expect(table.rows).toHaveLength(40);
  expect(table.rows.map(({ cells }) => cells[0])).toContain("'=1+1");
  const figures = parseTable(bytes(figuresTable(db, teacher, testId)), 'questions.csv');
  expect(figures.rows).toHaveLength(12);
});

test('every attempt is a document of QTI results in one archive', async () => {
  const pieces: Uint8Array[] = [];
  for await (const piece of resultsArchive(
    db,
    teacher,
    testId,
    'https://school.example',
  ) as unknown as AsyncIterable<Uint8Array>)
    pieces.push(piece);
  const files = unzipSync(new Uint8Array(Buffer.concat(pieces)));
  expect(Object.keys(files).sort()).toEqual(
    resultsOfTest(db, teacher, testId)
      .map(({ attemptId }) => `${attemptId}.xml`)
      .sort(),
  );
  const [row] = resultsOfTest(db, teacher, testId);
  const document = new TextDecoder().decode(files[`${row?.attemptId}.xml`]);
  expect(document).toContain(`sourced-id="${row?.signInName}"`);
  expect(document).toContain('source-id="https://school.example"');
  expect(document.match(/<item-result /g)).toHaveLength(12);
});

test('nobody sees results of students they do not reach, or without the right to', async () => {
  expect(testsWithResults(db, elsewhere)).toEqual([]);
  expect(resultsOfTest(db, elsewhere, testId)).toEqual([]);
  expect(figuresOf(db, elsewhere, testId)).toMatchObject({ n: 0, questions: [] });
  expect(() => release(db, elsewhere, testId, { told: true }, 1)).toThrow('not-found');
  const [row] = resultsOfTest(db, administrator, testId);
  expect(() => answersOf(db, elsewhere, row?.attemptId ?? '')).toThrow('not-found');
  for (const role of ['student', 'proctor', 'scorer'] as const) {
    const other = await person(role, role);
    expect(() => testsWithResults(db, other)).toThrow('not-yours');
    expect(() => resultsOfTest(db, other, testId)).toThrow('not-yours');
    expect(() => figuresOf(db, other, testId)).toThrow('not-yours');
    expect(() => release(db, other, testId, { told: true }, 1)).toThrow('not-yours');
    expect(() => answersOf(db, other, row?.attemptId ?? '')).toThrow('not-yours');
    expect(() => studentsTable(db, other, testId)).toThrow('not-yours');
    expect(() => resultsArchive(db, other, testId, '')).toThrow('not-yours');
  }
});
