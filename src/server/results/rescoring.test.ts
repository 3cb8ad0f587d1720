import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RawResponse } from '@/core/content/response';
import { filesFrom } from '@/core/qti/testItem';
import { addClass, putIntoClass } from '../accounts/classes';
import { putUser, userById, type User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { assign, assignedTests } from '../delivery/assignments';
import { beginAttempt, resumeAttempt } from '../delivery/delivery';
import { finishTest } from '../delivery/testSchool';
import { deletePackage, importPackage } from '../library/library';
import { mark } from '../marking/marking';
import { correctedKeys, keyVersions, previewRescoring, rescore, scoreWhatIsLeft } from './rescoring';
import { answersFor, resultFor } from './results';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const TEMPLATE =
  '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>';
const item = (identifier: string, inside: string, more = '') =>
  `<qti-assessment-item ${NS} identifier="${identifier}" title="${identifier}" ${more}>${inside}</qti-assessment-item>`;
const SCORE = '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>';
const declares = (key: string) =>
  `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>${key}</qti-value></qti-correct-response></qti-response-declaration>${SCORE}`;
const choices = (options = ['A', 'B', 'C']) =>
  `<qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="1">${options.map((id) => `<qti-simple-choice identifier="${id}">${id}</qti-simple-choice>`).join('')}</qti-choice-interaction></qti-item-body>`;
const drawn = (least: number, most: number) =>
  `<qti-template-declaration identifier="N" cardinality="single" base-type="integer"/>`.concat(
    `<qti-template-processing><qti-set-template-value identifier="N"><qti-random-integer min="${least}" max="${most}"/></qti-set-template-value></qti-template-processing>`,
  );

interface Version {
  /** What stands for `one.xml` and `two.xml`. */
  readonly one?: string;
  readonly two?: string;
  readonly section?: string;
  /** So that two versions with the same questions are two. */
  readonly note?: string;
}
const ONE = item('one', declares('A') + choices() + TEMPLATE);
const RIGHT = item('one', declares('B') + choices() + TEMPLATE);
const TWO = item('two', declares('C') + choices() + TEMPLATE);
const ESSAY = item(
  'essay',
  `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"/>
   <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float" normal-maximum="4"/>
   <qti-item-body><qti-extended-text-interaction response-identifier="RESPONSE"/></qti-item-body>`,
);

const version = ({ one = ONE, two = TWO, section = 's', note = '' }: Version) => ({
  'imsmanifest.xml': `<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest><!--${note}-->`,
  'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Tides">
    <qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous">
      <qti-item-session-control show-solution="true"/>
      <qti-assessment-section identifier="${section}" title="s" visible="true">
        ${['one', 'two', 'essay'].map((name) => `<qti-assessment-item-ref identifier="${name}" href="${name}.xml"/>`).join('')}
      </qti-assessment-section></qti-test-part></qti-assessment-test>`,
  'one.xml': one,
  'two.xml': two,
  'essay.xml': ESSAY,
});

let folder: string;
let db: Db;
let administrator: User;
let wren: User;
let bao: User;

async function person(name: string, role: User['role']): Promise<User> {
  const id = await putUser(db, { signInName: name, displayName: name, role });
  const user = userById(db, id);
  if (!user) throw new Error('nobody was added');
  return user;
}
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'able-rescoring-'));
  db = openDatabase(join(folder, 'test.sqlite'));
  administrator = await person('edda', 'administrator');
  wren = await person('wren', 'student');
  bao = await person('bao', 'student');
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

let brought = 0;
/** Brings a version. @returns its test */
function bring(of: Version): number {
  brought += 1;
  return importPackage(db, filesFrom(version(of)), brought).testIds[0] ?? 0;
}
/** Begins the test as it is given now. */
function begin(testId: number, student: User) {
  assign(db, testId, student.id);
  const { attemptId } = beginAttempt(db, student, assignedTests(db, student.id)[0]?.assignmentId ?? 0, 0);
  return { attemptId, device: resumeAttempt(db, student, attemptId, null, 0).device };
}
async function finish(
  open: ReturnType<typeof begin>,
  student: User,
  answers: Record<string, RawResponse>,
): Promise<string> {
  await finishTest(db, student, open, answers);
  return open.attemptId;
}
const take = (testId: number, student: User, answers: Record<string, RawResponse>) =>
  finish(begin(testId, student), student, answers);
const points = (student: User, attemptId: string) => resultFor(db, student, attemptId)?.points?.score;

test('a wrong key is corrected: what would change is listed, and then it is scored by the right one', async () => {
  const taken = bring({});
  const first = await take(taken, wren, { one: 'B', two: 'C' });
  const second = await take(taken, bao, { one: 'A', two: 'C' });
  const corrected = bring({ one: RIGHT });
  expect(keyVersions(db, administrator, taken)).toEqual([
    { testId: corrected, importedAt: brought, own: false, counts: false },
    { testId: taken, importedAt: brought - 1, own: true, counts: true },
  ]);
  expect(await previewRescoring(db, administrator, taken, corrected)).toEqual({
    attempts: 2,
    told: 2,
    questions: [{ ref: 'one', title: 'one', up: 1, down: 1 }],
    students: [
      { attemptId: second, student: 'bao', before: 2, after: 1 },
      { attemptId: first, student: 'wren', before: 1, after: 2 },
    ],
    misfits: [],
  });
  expect([points(wren, first), points(bao, second)]).toEqual([1, 2]);

  const asked = { keyTestId: corrected, reason: 'B is right' };
  expect(await rescore(db, administrator, taken, asked, 5000)).toEqual({ changed: 2 });
  expect([points(wren, first), points(bao, second)]).toEqual([2, 1]);
  const [question] = answersFor(db, wren, first)?.questions ?? [];
  expect(question).toMatchObject({
    verdict: 'right',
    solution: { RESPONSE: 'B' },
    marks: { RESPONSE: true },
  });
  expect(correctedKeys(db, administrator, taken)).toEqual({
    by: 'edda',
    at: 5000,
    reason: 'B is right',
    importedAt: brought,
  });
  await expect(rescore(db, administrator, taken, asked, 6000)).rejects.toThrow('bad-input');

  // Back to its own keys is the same step.
  await rescore(db, administrator, taken, { keyTestId: taken, reason: 'it was not' }, 7000);
  expect([points(wren, first), points(bao, second)]).toEqual([1, 2]);
  expect(correctedKeys(db, administrator, taken)).toBeNull();
});

test('who hands in afterwards what they began before is scored by the right key too', async () => {
  const taken = bring({});
  await take(taken, wren, { one: 'B' });
  const open = begin(taken, bao);
  const corrected = bring({ one: RIGHT });
  await rescore(db, administrator, taken, { keyTestId: corrected, reason: 'B' }, 5000);
  expect(points(bao, await finish(open, bao, { one: 'B' }))).toBe(1);
});

test('what a person gave stands', async () => {
  const taken = bring({});
  const attemptId = await take(taken, wren, { one: 'B', essay: 'High water.' });
  mark(db, administrator, { attemptId, ref: 'essay', points: { SCORE: 3 }, note: '' }, 3000);
  expect(points(wren, attemptId)).toBe(3);
  await rescore(db, administrator, taken, { keyTestId: bring({ one: RIGHT }), reason: 'B' }, 5000);
  expect(points(wren, attemptId)).toBe(4);
});

test('a server that goes away in the middle scores the rest when it is back', async () => {
  const taken = bring({});
  const attemptId = await take(taken, wren, { one: 'B' });
  const corrected = bring({ one: RIGHT });
  db.prepare(
    'INSERT INTO rescorings (test_id, key_test_id, by_id, at, reason) VALUES (?, ?, ?, 5000, ?)',
  ).run(taken, corrected, administrator.id, 'B');
  await scoreWhatIsLeft(db);
  expect(points(wren, attemptId)).toBe(1);
  expect(db.prepare('SELECT key_test_id FROM test_results').get()).toEqual({ key_test_id: corrected });
});

test.each([
  ['adaptive', { one: ONE }, { one: item('one', declares('B') + choices() + TEMPLATE, 'adaptive="true"') }],
  [
    'drawn',
    { one: item('one', declares('A') + drawn(1, 9) + choices() + TEMPLATE) },
    { one: item('one', declares('B') + drawn(100, 900) + choices() + TEMPLATE) },
  ],
  ['answers', {}, { one: item('one', declares('A') + choices(['A', 'C']) + TEMPLATE) }],
] as const)('a question that does not fit is named: %s', async (why, before, after) => {
  const taken = bring(before);
  await take(taken, wren, { one: 'B' });
  const other = bring(after);
  expect(await previewRescoring(db, administrator, taken, other)).toMatchObject({
    misfits: [{ ref: 'one', why }],
  });
  const asked = { keyTestId: other, reason: 'B' };
  await expect(rescore(db, administrator, taken, asked, 5000)).rejects.toThrow('does-not-fit');
});

test('a version with other sections fits nothing that was taken', async () => {
  const taken = bring({});
  await take(taken, wren, { one: 'B' });
  const other = bring({ section: 'other' });
  await expect(previewRescoring(db, administrator, taken, other)).rejects.toThrow('does-not-fit');
  await expect(previewRescoring(db, administrator, taken, 999)).rejects.toThrow('not-found');
});

test('keys are everybody’s: who does not reach everybody who took the test leaves them alone', async () => {
  const teacher = await person('petra', 'teacher');
  const classId = addClass(db, 'Harbor 6');
  putIntoClass(db, classId, teacher.id);
  putIntoClass(db, classId, wren.id);
  const taken = bring({});
  const attemptId = await take(taken, wren, { one: 'B' });
  const corrected = bring({ one: RIGHT });
  await expect(previewRescoring(db, await person('noor', 'scorer'), taken, corrected)).rejects.toThrow(
    'not-yours',
  );
  expect(await previewRescoring(db, teacher, taken, corrected)).toMatchObject({ attempts: 1 });
  await take(taken, bao, { one: 'B' });
  await expect(previewRescoring(db, teacher, taken, corrected)).rejects.toThrow('others-too');
  await rescore(db, administrator, taken, { keyTestId: corrected, reason: 'B' }, 5000);
  expect(points(wren, attemptId)).toBe(1);
});

test('a version by whose keys something is scored cannot be taken out of the library', async () => {
  const taken = bring({});
  await take(taken, wren, { one: 'B' });
  const corrected = bring({ one: RIGHT });
  await rescore(db, administrator, taken, { keyTestId: corrected, reason: 'B' }, 5000);
  const row = db.prepare<[number], { id: number }>('SELECT package_id AS id FROM tests WHERE id = ?');
  expect(() => deletePackage(db, administrator, row.get(corrected)?.id ?? 0)).toThrow('in-use');
});
