import { nameOfSession, userOfSession } from '../accounts/sessions';
import { addClass, putIntoClass } from '../accounts/classes';
import { putUser, userById, type User } from '../accounts/users';
import { classOverview } from '../results/overview';
import { assign, assignedTest, assignedTests } from './assignments';
import { attemptContent } from './content';
import { beginAttempt, resumeAttempt, saveBatch } from './delivery';
import { closeRoom, enterRoom, openRoom, openRooms, roomTests } from './rooms';
import { letIn } from './supervise';
import { ADMINISTRATOR, addPetra, testSchool, type TestSchool } from './testSchool';

const HOUR = 3600_000;
let school: TestSchool;
let petra: User;
let testId: number;
let code: string;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6', { now: 1000 });
  petra = await addPetra(school.db, 'proctor');
  testId = roomTests(school.db, petra)[0]?.testId ?? 0;
  code = openRoom(school.db, petra, testId, 2000).code;
});
afterEach(() => school.close());

const enter = (now = 3000, name = 'wren', said = code) =>
  enterRoom(school.db, { code: said, name }, '10.0.0.7', now);
const whoHas = (token: string, now = 3000): User => {
  const user = userOfSession(school.db, token, now);
  if (!user) throw new Error('no session');
  return user;
};
const assignmentId = () => assignedTests(school.db, school.student.id)[0]?.assignmentId ?? 0;
const row = () => classOverview(school.db, ADMINISTRATOR, 0).find(({ student }) => student === 'Wren');

test('a code is six digits, and is taken however it is spaced', () => {
  expect(code).toMatch(/^\d{6}$/);
  const spaced = enter(3000, 'WREN', ` ${code.slice(0, 3)}-${code.slice(3)} `);
  expect(whoHas(spaced.token).signInName).toBe('wren');
});

test('two versions of a test are told apart by when they came, one alone needs no date', () => {
  const { db } = school;
  expect(roomTests(db, petra)).toMatchObject([{ testId, importedAt: null }]);
  const { lastInsertRowid: packageId } = db
    .prepare(
      "INSERT INTO packages (identifier, content_hash, model_version, imported_at, problems) VALUES ('skerry-sound-grade-6', 'newer', 1, 9000, '[]')",
    )
    .run();
  const { lastInsertRowid: newer } = db
    .prepare(
      'INSERT INTO tests (package_id, identifier, title, model) SELECT ?, identifier, title, model FROM tests WHERE id = ?',
    )
    .run(packageId, testId);
  db.prepare('INSERT INTO assignments (test_id, user_id, created_at) VALUES (?, ?, 1)').run(
    newer,
    school.student.id,
  );
  expect(roomTests(db, petra)).toMatchObject([
    { testId, importedAt: expect.any(Number) as number },
    { testId: newer, importedAt: 9000 },
  ]);
});

test('who came with a code sees and does nothing until let in, and then only the test of the room', async () => {
  const { token, assignmentId: given } = enter();
  const waiting = whoHas(token);
  expect(waiting.room).toEqual({ assignmentId: given, letIn: false });
  expect(assignedTest(school.db, waiting, given).waits).toBe(true);
  expect(row()).toMatchObject({ waits: true, asks: 1 });
  const refused = [
    () => beginAttempt(school.db, waiting, given, 4000),
    () => resumeAttempt(school.db, waiting, school.attemptId, null, 4000),
    () => attemptContent(school.db, waiting, school.attemptId, 4000),
  ];
  for (const way of refused) expect(way).toThrow('no-go-ahead');
  await expect(
    saveBatch(school.db, waiting, school.attemptId, { device: school.device, events: [], cursor: 0 }, 4000),
  ).rejects.toThrow('no-go-ahead');

  letIn(school.db, petra, given, 5000);
  const inside = whoHas(token, 5000);
  expect(inside.room?.letIn).toBe(true);
  expect(row()).toMatchObject({ waits: false, asks: 0 });
  expect(beginAttempt(school.db, inside, given, 6000).attemptId).toBe(school.attemptId);
  expect(attemptContent(school.db, inside, school.attemptId, 6000).test.title).not.toBe('');

  // Another test of the same student is none of the room's.
  school.db
    .prepare(
      "INSERT INTO tests (package_id, identifier, title, model) SELECT package_id, 'other', 'Other', model FROM tests LIMIT 1",
    )
    .run();
  school.db
    .prepare('INSERT INTO assignments (test_id, user_id, created_at) SELECT max(id), ?, 0 FROM tests')
    .run(school.student.id);
  const other = assignedTests(school.db, school.student.id).find((one) => one.assignmentId !== given);
  expect(() => assignedTest(school.db, inside, other?.assignmentId ?? 0)).toThrow('not-found');
  expect(() => beginAttempt(school.db, inside, other?.assignmentId ?? 0, 7000)).toThrow('not-found');
  const { attemptId } = beginAttempt(school.db, school.student, other?.assignmentId ?? 0, 7000);
  expect(() => attemptContent(school.db, inside, attemptId, 7000)).toThrow('not-found');
  expect(assignedTests(school.db, inside.id, inside.room?.assignmentId)).toHaveLength(1);
});

test('of two who ask under one name the last is let in, and the other is out', () => {
  const first = enter(3000).token;
  const second = enter(4000).token;
  expect(row()?.asks).toBe(2);
  letIn(school.db, petra, assignmentId(), 5000);
  expect(whoHas(second, 5000).room?.letIn).toBe(true);
  expect(userOfSession(school.db, first, 5000)).toBeNull();
  // Somebody else who comes later is not let in by what was said before.
  expect(whoHas(enter(6000).token, 6000).room?.letIn).toBe(false);
});

test.each([
  ['another code', () => enter(3000, 'wren', String((Number(code) + 1) % 1_000_000).padStart(6, '0'))],
  ['a name there is not', () => enter(3000, 'nobody')],
  ['somebody who is no student', () => enter(3000, 'petra')],
  [
    'a room that is closed',
    () => (closeRoom(school.db, petra, openRooms(school.db, petra, 3000)[0]?.id ?? 0, 2500), enter()),
  ],
  ['a room of yesterday', () => enter(2000 + 13 * HOUR)],
])('%s is refused, and it is never said which', (_, way) => {
  expect(way).toThrow('wrong-name-or-code');
});

test('guessing is slowed down as with passwords, and written down', () => {
  for (let i = 0; i < 5; i += 1) expect(() => enter(3000 + i, 'wren', '1')).toThrow('wrong-name-or-code');
  expect(() => enter(3010, 'wren', code)).toThrow('too-many-tries');
  const log = school.db.prepare("SELECT count(*) AS n FROM security_log WHERE what = 'sign-in-failed'").get();
  expect(log).toEqual({ n: 5 });
});

test('a closed room lets nobody in any more; who is in goes on, who waited is out', () => {
  const inside = enter(3000).token;
  letIn(school.db, petra, assignmentId(), 3500);
  const waiting = enter(4000).token;
  const [room] = openRooms(school.db, petra, 4500);
  expect(room).toMatchObject({ code, inside: 2 });
  closeRoom(school.db, petra, room?.id ?? 0, 5000);
  closeRoom(school.db, petra, room?.id ?? 0, 5100);
  expect(openRooms(school.db, petra, 5200)).toEqual([]);
  expect(whoHas(inside, 5200).room?.letIn).toBe(true);
  expect(userOfSession(school.db, waiting, 5200)).toBeNull();
  expect(() => closeRoom(school.db, petra, 999, 5000)).toThrow('not-found');
});

test('a room is opened for a test that somebody has been given, and its session is tied to it alone', () => {
  expect(() => openRoom(school.db, petra, 999, 2000)).toThrow('not-found');
  const { token } = enter();
  const kept = school.db
    .prepare('SELECT room_id, assignment_id, let_in_at FROM sessions WHERE token_hash = ?')
    .get(nameOfSession(token));
  expect(kept).toEqual({
    room_id: openRooms(school.db, petra, 3000)[0]?.id,
    assignment_id: assignmentId(),
    let_in_at: null,
  });
});

test('a room takes in only those whom its opener can let in', async () => {
  const { db } = school;
  const person = async (name: string, role: User['role']) => {
    const user = userById(db, await putUser(db, { signInName: name, displayName: name, role }));
    if (!user) throw new Error('nobody was added');
    return user;
  };
  const [sten, bao] = [await person('sten', 'teacher'), await person('bao', 'student')];
  const other = addClass(db, 'Harbor 7');
  for (const { id } of [sten, bao]) putIntoClass(db, other, id);
  assign(db, testId, bao.id);
  ({ code } = openRoom(db, sten, testId, 2000));
  expect(enter(3000, 'bao').assignmentId).toBeGreaterThan(0);
  expect(() => enter(3000, 'wren')).toThrow('wrong-name-or-code');
  // Each sees and closes own rooms; whoever supervises the whole school all of them.
  expect(openRooms(db, sten, 3000)).toHaveLength(1);
  expect(openRooms(db, await person('ulla', 'proctor'), 3000)).toHaveLength(2);
  const runa = await person('runa', 'teacher');
  expect(() => closeRoom(db, runa, openRooms(db, sten, 3000)[0]?.id ?? 0, 3100)).toThrow('not-found');
});
