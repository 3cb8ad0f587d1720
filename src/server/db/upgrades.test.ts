import { hash } from '@node-rs/argon2';
import { studentsReached } from '../accounts/access';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { userById, userByPassword } from '../accounts/users';
import { assignedTests } from '../delivery/assignments';
import { stateOf } from '../delivery/eventLog';
import { resultFor } from '../results/results';
import { openDatabase, type Db } from './open';

/** Databases as older programs left them, with data in them, opened by this one. */
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'able-upgrade-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const ITEM = {
  identifier: 'i',
  title: 'Ebb',
  language: null,
  adaptive: false,
  timeDependent: false,
  responses: [
    {
      identifier: 'RESPONSE',
      cardinality: 'single',
      baseType: 'string',
      defaultValue: null,
      correctResponse: { cardinality: 'single', baseType: 'string', value: 'ebb' },
      mapping: null,
      areaMapping: null,
    },
  ],
  outcomes: [
    {
      identifier: 'SCORE',
      cardinality: 'single',
      baseType: 'float',
      defaultValue: null,
      normalMaximum: 1,
      normalMinimum: null,
      externalScored: null,
      lookupTable: null,
    },
  ],
  templates: [],
  stimuli: [],
  body: [{ kind: 'text', text: 'Ebb or flow?' }],
  rubrics: [],
  feedback: [],
  templateProcessing: [],
  responseProcessing: { kind: 'template', template: 'match_correct' },
};
const CONTROL = {
  maxAttempts: 1,
  showFeedback: false,
  allowReview: true,
  showSolution: false,
  allowSkipping: true,
  validateResponses: false,
};
const LIMITS = { minimum: null, maximum: 600 };
/** A test as the first reader made it: without rules, feedback and late submission. */
const TEST = {
  identifier: 't',
  title: 'Tides',
  timeLimits: LIMITS,
  outcomes: [],
  rubrics: [],
  outcomeProcessing: [],
  parts: [
    {
      identifier: 'p',
      title: '',
      navigation: 'nonlinear',
      submission: 'simultaneous',
      timeLimits: { minimum: null, maximum: null },
      sections: [
        {
          kind: 'section',
          identifier: 's',
          title: '',
          visible: true,
          keepTogether: true,
          required: false,
          fixed: false,
          rubrics: [],
          timeLimits: { minimum: null, maximum: null },
          selection: null,
          shuffle: false,
          children: [
            {
              kind: 'item',
              identifier: 'i',
              item: 'i',
              categories: [],
              weights: {},
              required: false,
              fixed: false,
              timeLimits: { minimum: null, maximum: null },
              sessionControl: CONTROL,
            },
          ],
        },
      ],
    },
  ],
};
const events = [
  ['server', 1, { type: 'begun', device: 'server', seq: 1, at: 1000, limit: 600_000 }],
  [
    'page',
    1,
    {
      type: 'answered',
      device: 'page',
      seq: 1,
      at: 2000,
      item: 'i',
      responses: { RESPONSE: 'ebb' },
      how: 'edit',
    },
  ],
] as const;

const PACKAGE = {
  plain: "INSERT INTO packages (id, identifier, imported_at, problems) VALUES (1, 'shore', 1, '[]')",
  // Models as the first reader made them, whichever version of the database they are in.
  versioned:
    "INSERT INTO packages (id, identifier, content_hash, model_version, imported_at, problems) VALUES (1, 'shore', 'x', 1, 1, '[]')",
};
const EARLIER = readdirSync('src/server/db/migrations')
  .filter((name) => name.endsWith('.sql'))
  .sort()
  .slice(0, -1);

test.each(EARLIER)('a database left at %s: its people, tests, attempts and answers are there', (until) => {
  const path = join(folder, 'old.sqlite');
  const old = openDatabase(path, { until });
  const versioned = until >= '004';
  old.exec(`INSERT INTO users (id, sign_in_name, display_name, role, password_hash, created_at) VALUES (1, 'wren', 'Wren', 'student', 'x', 1);
    ${PACKAGE[versioned ? 'versioned' : 'plain']}`);
  old
    .prepare('INSERT INTO items (package_id, identifier, model) VALUES (1, ?, ?)')
    .run('i', JSON.stringify(ITEM));
  old
    .prepare('INSERT INTO tests (id, package_id, identifier, title, model) VALUES (1, 1, ?, ?, ?)')
    .run('t', 'Tides', JSON.stringify(TEST));
  old.exec(`INSERT INTO assignments (id, test_id, user_id, created_at) VALUES (1, 1, 1, 1);
    INSERT INTO attempts (id, assignment_id, user_id, seed, device, phase, limit_ms, used_ms, running_since, last_alive_at, begun_at)
      VALUES ('a', 1, 1, 'seed', 'page', 'running', 600000, 0, 1000, 2000, 1000);`);
  if (versioned)
    old.exec(
      "UPDATE attempts SET test_id = 1, server_seq = 1; INSERT INTO devices (id, attempt_id, opened_at, acknowledged) VALUES ('page', 'a', 1000, 1)",
    );
  for (const [device, seq, body] of events)
    old
      .prepare(
        'INSERT INTO events (attempt_id, device, seq, at, received_at, body) VALUES (?, ?, ?, ?, ?, ?)',
      )
      .run('a', device, seq, body.at, body.at, JSON.stringify(body));
  old.close();

  const db = openDatabase(path);
  const user = userById(db, 1);
  expect(user?.displayName).toBe('Wren');
  expect(assignedTests(db, 1)[0]).toMatchObject({
    title: 'Tides',
    questions: 1,
    timeLimit: 600,
    state: 'stopped',
  });
  expect(stateOf(db, 'a').items.i?.responses).toEqual({ RESPONSE: 'ebb' });
  expect(db.prepare('SELECT id, acknowledged FROM devices').all()).toEqual([{ id: 'page', acknowledged: 1 }]);
  if (user) expect(resultFor(db, user, 'a')).toBeNull();
  db.close();
});

test('answers that came late before they had a table of their own wait still, and what was decided of them stays', () => {
  const path = join(folder, 'late.sqlite');
  const old = openDatabase(path, { until: '016-sealed.sql' });
  old.exec(`INSERT INTO users (id, sign_in_name, display_name, role, password_hash, created_at) VALUES (1, 'wren', 'Wren', 'student', 'x', 1);
    ${PACKAGE.versioned};
    INSERT INTO tests (id, package_id, identifier, title, model) VALUES (1, 1, 't', 'Tides', '{}');
    INSERT INTO assignments (id, test_id, user_id, created_at) VALUES (1, 1, 1, 1);
    INSERT INTO attempts (id, assignment_id, test_id, user_id, seed, phase, last_alive_at, begun_at) VALUES ('a', 1, 1, 1, 's', 'handed-in', 1, 1);`);
  const event = old.prepare(
    "INSERT INTO events (attempt_id, device, seq, at, received_at, body, standing) VALUES ('a', 'page', ?, ?, 90, ?, ?)",
  );
  const body = (type: string, item: string) => JSON.stringify({ type, item });
  event.run(1, 10, body('answered', 'waits'), 'late');
  event.run(2, 20, body('answered', 'left-out'), 'late');
  event.run(3, 30, body('answered', 'counted'), 'counts');
  event.run(4, 40, body('flagged', 'no-answer'), 'late');
  old.exec(`INSERT INTO judgements (attempt_id, device, seq, counts, said_at, judged_at, judged_by)
    VALUES ('a', 'page', 2, 0, 20, 95, 1), ('a', 'page', 3, 1, 35, 95, 1)`);
  old.close();
  const db = openDatabase(path);
  expect(db.prepare('SELECT item, said_at, counts FROM late_answers ORDER BY seq').all()).toEqual([
    { item: 'waits', said_at: 10, counts: null },
    { item: 'left-out', said_at: 20, counts: 0 },
    { item: 'counted', said_at: 35, counts: 1 },
  ]);
  db.close();
});

test('before there were classes a teacher reached every student, and does so still', async () => {
  const path = join(folder, 'classes.sqlite');
  const old = openDatabase(path, { until: '017-late-answers.sql' });
  await putOld(old, 'petra', 'teacher');
  await putOld(old, 'wren', 'student');
  old.exec(
    "INSERT INTO users (sign_in_name, display_name, role, password_hash, created_at, guest) VALUES ('guest 1', '', 'student', '', 1, 1)",
  );
  old.close();
  const db = openDatabase(path);
  const petra = await userByPassword(db, 'petra', 'pass of petra');
  if (!petra) throw new Error('the teacher is gone');
  expect(studentsReached(db, petra, 'supervise').map(({ name }) => name)).toEqual(['wren']);
  expect(studentsReached(db, petra, 'give')).toHaveLength(1);
  db.close();
});

async function putOld(db: Db, name: string, role: string): Promise<void> {
  db.prepare(
    'INSERT INTO users (sign_in_name, display_name, role, password_hash, created_at) VALUES (?, ?, ?, ?, 1)',
  ).run(name, name, role, await hash(`pass of ${name}`));
}
