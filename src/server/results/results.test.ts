import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RawResponse } from '@/core/content/response';
import { filesFrom } from '@/core/qti/testItem';
import { putUser, userById, type User } from '../accounts/users';
import { openDatabase, type Db } from '../db/open';
import { assign, assignedTests } from '../delivery/assignments';
import { beginAttempt, resumeAttempt } from '../delivery/delivery';
import { importPackage } from '../library/library';
import { ADMINISTRATOR, finishTest } from '../delivery/testSchool';
import { classOverview } from './overview';
import { answersFor, resultFor } from './results';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const choices = (max: number) =>
  `<qti-choice-interaction response-identifier="RESPONSE" max-choices="${max}">${['A', 'B', 'C'].map((id) => `<qti-simple-choice identifier="${id}">${id}</qti-simple-choice>`).join('')}</qti-choice-interaction>`;
const keys = (...values: string[]) =>
  `<qti-correct-response>${values.map((one) => `<qti-value>${one}</qti-value>`).join('')}</qti-correct-response>`;
const item = (identifier: string, declaration: string, body: string, processing: string) =>
  `<qti-assessment-item ${NS} identifier="${identifier}" title="t"><qti-response-declaration identifier="RESPONSE" ${declaration}</qti-response-declaration>
   <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/><qti-item-body>${body}</qti-item-body>${processing}</qti-assessment-item>`;
const template = (name: string) =>
  `<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/${name}.xml"/>`;
const mapping =
  '<qti-mapping default-value="-1" lower-bound="0"><qti-map-entry map-key="A" mapped-value="1"/><qti-map-entry map-key="C" mapped-value="1"/></qti-mapping>';
const ref = (identifier: string, inside = '') =>
  `<qti-assessment-item-ref identifier="${identifier}" href="${identifier}.xml">${inside}</qti-assessment-item-ref>`;
const control = (attributes: string) => `<qti-item-session-control ${attributes}/>`;

/** One question of each way of being marked. */
const sources = (outcome: string, processing: string) => ({
  'imsmanifest.xml':
    '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
  'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Tides">${outcome}
    <qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous"><qti-assessment-section identifier="s" title="s" visible="true">
      ${ref('one', control('show-solution="true"') + '<qti-weight identifier="W" value="10"/>')}${ref('several')}${ref('essay', control('allow-review="false"'))}
    </qti-assessment-section></qti-test-part>${processing}</qti-assessment-test>`,
  'one.xml': item(
    'one',
    `cardinality="single" base-type="identifier">${keys('B')}`,
    choices(1),
    template('match_correct'),
  ),
  'several.xml': item(
    'several',
    `cardinality="multiple" base-type="identifier">${keys('A', 'C')}${mapping}`,
    choices(2),
    template('map_response'),
  ),
  'essay.xml': item(
    'essay',
    'cardinality="single" base-type="string">',
    '<qti-extended-text-interaction response-identifier="RESPONSE"/>',
    '',
  ),
});

let folder: string;
let db: Db;
let student: User;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'able-results-'));
  db = openDatabase(join(folder, 'test.sqlite'));
  const id = await putUser(db, {
    signInName: 'wren',
    displayName: 'Wren',
    role: 'student',
    password: 'tide',
  });
  const user = userById(db, id);
  if (!user) throw new Error('no user');
  student = user;
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Takes the test with these answers and hands it in. */
async function taken(answers: Record<string, RawResponse>, outcome = '', processing = ''): Promise<string> {
  const { testIds } = importPackage(db, filesFrom(sources(outcome, processing)));
  assign(db, testIds[0] ?? 0, student.id);
  const { attemptId } = beginAttempt(db, student, assignedTests(db, student.id)[0]?.assignmentId ?? 0, 0);
  const { device } = resumeAttempt(db, student, attemptId, null, 0);
  expect(resultFor(db, student, attemptId)).toBeNull();
  await finishTest(db, student, { attemptId, device }, answers);
  return attemptId;
}

test.each([
  [{ one: 'B', several: ['A', 'C'], essay: 'High water.' }, ['right', 'right', 'not-marked'], 3, 3, 1],
  [{ one: 'A', several: ['A'], essay: null }, ['wrong', 'partly', 'not-answered'], 1, 3, 0],
  [{ one: null, several: ['B', 'A'] }, ['not-answered', 'wrong', 'not-answered'], 0, 3, 0],
  [{}, ['not-answered', 'not-answered', 'not-answered'], 0, 3, 0],
] as const)('%j is told as %j', async (answers, verdicts, score, maximum, notMarked) => {
  const result = resultFor(db, student, await taken(answers));
  expect(result?.questions.map((one) => one.verdict)).toEqual(verdicts);
  const points = { score, maximum, later: 0, ownRule: false };
  expect(result).toMatchObject({ title: 'Tides', handedInAt: 2000, points, notMarked });
});

test('what the test’s own outcome processing says is the score, weights and all', async () => {
  const number = (identifier: string, more = '') =>
    `<qti-outcome-declaration identifier="${identifier}" cardinality="single" base-type="float">${more}</qti-outcome-declaration>`;
  const id = await taken(
    { one: 'B', several: ['A'] },
    number('SCORE') + number('MAXSCORE', '<qti-default-value><qti-value>12</qti-value></qti-default-value>'),
    '<qti-outcome-processing><qti-set-outcome-value identifier="SCORE"><qti-sum><qti-test-variables variable-identifier="SCORE" weight-identifier="W"/></qti-sum></qti-set-outcome-value></qti-outcome-processing>',
  );
  expect(resultFor(db, student, id)).toMatchObject({
    points: { score: 11, maximum: 12, later: 0, ownRule: true },
  });
  expect(db.prepare('SELECT outcomes FROM test_results').get()).toEqual({
    outcomes: JSON.stringify({ SCORE: 11, MAXSCORE: 12 }),
  });
});

test('answers are looked at again where the test allows it, with right ones only where it shows them', async () => {
  const id = await taken({ one: 'A', several: ['C'], essay: 'Low water.' });
  const answers = answersFor(db, student, id);
  expect(
    answers?.questions.map(({ number, responses, solution, marks }) => ({
      number,
      responses,
      solution,
      marks,
    })),
  ).toEqual([
    { number: 1, responses: { RESPONSE: 'A' }, solution: { RESPONSE: 'B' }, marks: { RESPONSE: false } },
    { number: 2, responses: { RESPONSE: ['C'] }, solution: null, marks: {} },
  ]);
  expect(JSON.stringify(answers?.questions[1]?.item)).not.toContain('mapped');
});

test('nobody else sees the result; the teacher sees how far everyone is', async () => {
  const id = await taken({ one: 'B' });
  const other = userById(
    db,
    await putUser(db, { signInName: 'bao', displayName: 'Bao', role: 'student', password: 'gull' }),
  );
  if (!other) throw new Error('no user');
  expect(() => resultFor(db, other, id)).toThrow('not-found');
  expect(() => answersFor(db, other, id)).toThrow('not-found');
  assign(db, 1, other.id);
  expect(classOverview(db, ADMINISTRATOR)).toMatchObject([
    { student: 'Bao', test: 'Tides', state: 'not-started', points: null },
    {
      student: 'Wren',
      test: 'Tides',
      state: 'handed-in',
      points: { score: 1, maximum: 3, later: 0, ownRule: false },
    },
  ]);
});
