import { unzipSync, strFromU8 } from 'fflate';
import { NO_NEEDS } from '@/core/needs';
import { addClass, putIntoClass } from '../accounts/classes';
import { openSession, userOfSession } from '../accounts/sessions';
import { doneTo } from '../accounts/supervisionLog';
import { needsOf, putUser, setNeedsOf, userById, type User } from '../accounts/users';
import { handIn, resumeAttempt } from '../delivery/delivery';
import { openRoom } from '../delivery/rooms';
import { addTime } from '../delivery/supervise';
import { testSchool, type TestSchool } from '../delivery/testSchool';
import { erase, whatIsErased } from './erase';
import { handOut } from './handOut';
import { needsFile, readNeedsFile } from './needsFiles';
import { endSessions, personPage, setNeeds } from './person';

let school: TestSchool;
let administrator: User;
let teacher: User;

async function person(signInName: string, role: User['role']): Promise<User> {
  const id = await putUser(school.db, { signInName, displayName: `${signInName} of Skerry`, role });
  const user = userById(school.db, id);
  if (!user) throw new Error('nobody was added');
  return user;
}
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-grade-6');
  administrator = await person('edda', 'administrator');
  teacher = await person('petra', 'teacher');
  const classId = addClass(school.db, 'Harbor 6');
  putIntoClass(school.db, classId, teacher.id);
  putIntoClass(school.db, classId, school.student.id);
});
afterEach(() => school.close());

/** The files of an archive as it is written. */
async function filesIn(stream: ReadableStream<Uint8Array>): Promise<Record<string, string>> {
  const bytes = new Uint8Array(await new Response(stream).arrayBuffer());
  return Object.fromEntries(Object.entries(unzipSync(bytes)).map(([name, file]) => [name, strFromU8(file)]));
}
const answer = (words: string) =>
  school.say({ type: 'answered', item: 'reading-5', responses: { RESPONSE: words }, how: 'typing' }, 2000);

describe('needs', () => {
  test('a teacher sets them for their own students; what the student chose stays on top, and it is written down', async () => {
    const { db, student } = school;
    db.prepare('UPDATE users SET chosen_view = ? WHERE id = ?').run(
      JSON.stringify({ look: { magnification: 2 }, tools: {} }),
      student.id,
    );
    const needs = {
      ...NO_NEEDS,
      timeMultiplier: 1.5,
      magnification: 1.25,
      toolsGiven: ['calculator'],
    } as const;
    setNeeds(db, teacher, student.id, { ...needs, toolsGiven: ['calculator'] }, 5000);
    expect(setNeedsOf(db, student.id)).toMatchObject({ ...needs });
    expect(needsOf(db, student.id)).toMatchObject({ timeMultiplier: 1.5, magnification: 2 });
    expect(doneTo(db, teacher)[0]).toMatchObject({
      done: 'needs-set',
      student: 'Wren',
      by: 'petra of Skerry',
    });
    expect(personPage(db, teacher, student.id)).toMatchObject({ needs, choseThemselves: true, kept: null });

    const other = await person('bao', 'student');
    expect(() => setNeeds(db, teacher, other.id, NO_NEEDS, 6000)).toThrow('not-found');
    expect(() => personPage(db, teacher, other.id)).toThrow('not-found');
    expect(() => setNeeds(db, administrator, teacher.id, NO_NEEDS, 6000)).toThrow('not-found');
    expect(() => setNeeds(db, student, student.id, NO_NEEDS, 6000)).toThrow('not-yours');
  });

  test('they go out as a profile and come in again the same; what is no profile is named', () => {
    const { db, student } = school;
    const needs = {
      ...NO_NEEDS,
      timeMultiplier: 2,
      supports: ['spoken'],
      toolsGiven: ['read-aloud'],
    } as const;
    setNeeds(db, teacher, student.id, { ...needs, supports: ['spoken'], toolsGiven: ['read-aloud'] }, 5000);
    for (const as of ['xml', 'json'] as const) {
      const { needs: read, notOurs } = readNeedsFile(teacher, needsFile(db, teacher, student.id, as));
      expect({ read, notOurs }).toEqual({ read: needs, notOurs: [] });
    }
    for (const text of ['', '<a/>', '{', '[1]', '<access-for-all-pnp>'])
      expect(() => readNeedsFile(teacher, text)).toThrow('no-profile');
    expect(() => needsFile(db, administrator, teacher.id, 'xml')).toThrow('not-found');
  });
});

test('sessions are listed and ended, one or all', () => {
  const { db, student } = school;
  const tokens = [1000, 2000, 3000].map((at) => openSession(db, student.id, at).token);
  const listed = () => personPage(db, administrator, student.id).kept?.sessions ?? [];
  expect(listed().map(({ begunAt }) => begunAt)).toEqual([3000, 2000, 1000]);
  endSessions(db, administrator, student.id, listed()[0]?.id ?? '', 4000);
  expect(tokens.map((token) => userOfSession(db, token, 4000) !== null)).toEqual([true, true, false]);
  endSessions(db, administrator, student.id, null, 4000);
  expect(listed()).toEqual([]);
  expect(() => endSessions(db, teacher, student.id, null, 4000)).toThrow('not-yours');
});

test('everything of a person is handed out in one archive, without what opens their account', async () => {
  const { db, student, attemptId, device } = school;
  await answer('The tide was out.');
  handIn(db, student, attemptId, device, 'asked', 3000);
  db.prepare("UPDATE users SET password_hash = '$argon2id$secret' WHERE id = ?").run(student.id);
  openSession(db, student.id, 3000);
  const files = await filesIn(handOut(db, administrator, student.id, 'https://school.example', 5000));
  const folder = `attempts/${attemptId}`;
  expect(Object.keys(files).sort()).toEqual(
    [`${folder}/attempt.json`, `${folder}/events.jsonl`, `${folder}/result.xml`, 'person.json'].sort(),
  );
  const about = JSON.parse(files['person.json'] ?? '{}') as Record<string, unknown>;
  expect(about).toMatchObject({
    account: { sign_in_name: 'wren', display_name: 'Wren' },
    class_members: [{ title: 'Harbor 6' }],
  });
  expect(about.sessions).toHaveLength(1);
  for (const name of ['attempt.json', 'events.jsonl', 'result.xml'])
    expect(files[`${folder}/${name}`]).toContain('The tide was out.');
  expect(Object.values(files).join()).not.toMatch(/argon2|token_hash/);
  expect(() => handOut(db, teacher, student.id, '', 5000)).toThrow('not-yours');
});

describe('erasing', () => {
  test('takes away name and answers, keeps lines of the log without a name, and says both before', async () => {
    const { db, student, attemptId, device } = school;
    await answer('The tide was out.');
    addTime(db, teacher, attemptId, { minutes: 5, reason: 'fire drill' }, 2500);
    expect(whatIsErased(db, administrator, student.id)).toMatchObject({
      attempts: 1,
      running: true,
      supervision: 1,
    });
    expect(() => erase(db, administrator, student.id, 'asked for', 2600)).toThrow('sits-now');
    handIn(db, student, attemptId, device, 'asked', 3000);
    const { token } = openSession(db, student.id, 3000);
    erase(db, administrator, student.id, 'asked for', 5000);

    expect(userOfSession(db, token, 5000)).toBeNull();
    expect(() => personPage(db, administrator, student.id)).toThrow('not-found');
    expect(() => resumeAttempt(db, student, attemptId, null, 5000)).toThrow('not-found');
    expect(doneTo(db, administrator)).toContainEqual(
      expect.objectContaining({ done: 'time-added', student: '–', reason: 'fire drill' }),
    );
    // Nothing that was theirs is found anywhere in the database.
    const tables = db
      .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'")
      .all()
      .map(({ name }) => name);
    const left = tables.filter((table) =>
      /The tide was out|"Wren"|"wren"/.test(JSON.stringify(db.prepare(`SELECT * FROM "${table}"`).all())),
    );
    expect(left).toEqual([]);
    expect(() => erase(db, administrator, student.id, 'again', 6000)).toThrow('not-found');
  });

  test('what a roster said goes with it', async () => {
    const { db } = school;
    const bao = await person('bao', 'student');
    db.prepare("UPDATE users SET sourced_id = 'S-7' WHERE id = ?").run(bao.id);
    const record = db.prepare(
      'INSERT INTO roster_records (kind, sourced_id, fields, active, changed_at) VALUES (?, ?, ?, 1, 0)',
    );
    record.run('users', 'S-7', '{"username":"bao"}');
    record.run('enrollments', 'E-1', '{"userSourcedId":"S-7"}');
    record.run('users', 'S-8', '{"username":"ines"}');
    erase(db, administrator, bao.id, 'left', 5000);
    expect(db.prepare('SELECT sourced_id FROM roster_records').all()).toEqual([{ sourced_id: 'S-8' }]);
  });

  test('marks and rooms of somebody who worked here stay, without their name', () => {
    const { db, attemptId } = school;
    db.prepare(
      "INSERT INTO marks (attempt_id, item, reader_id, points, note, first_at, changed_at) VALUES (?, 'reading-5', ?, '{}', '', 0, 0)",
    ).run(attemptId, teacher.id);
    openRoom(db, teacher, db.prepare<[], { id: number }>('SELECT id FROM tests').get()?.id ?? 0, 1000);
    expect(whatIsErased(db, administrator, teacher.id)).toMatchObject({ marksGiven: 1, supervision: 1 });
    erase(db, administrator, teacher.id, 'left', 5000);
    expect(db.prepare('SELECT count(*) AS n FROM marks').get()).toEqual({ n: 1 });
    // Nobody comes in by a code of somebody who is gone.
    expect(db.prepare('SELECT closed_at FROM rooms').all()).toEqual([{ closed_at: 5000 }]);
    expect(db.prepare('SELECT display_name FROM users WHERE id = ?').get(teacher.id)).toEqual({
      display_name: '–',
    });
  });

  test('nobody erases themselves, and nobody but who keeps people erases', () => {
    const { db, student } = school;
    expect(() => erase(db, administrator, administrator.id, 'x', 5000)).toThrow('bad-input');
    expect(() => erase(db, teacher, student.id, 'x', 5000)).toThrow('not-yours');
  });
});

test('every table that points to a person or an attempt is thought of in handing out and erasing', () => {
  const { db } = school;
  const pointing = (target: string) =>
    db
      .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'")
      .all()
      .flatMap(({ name }) =>
        (db.pragma(`foreign_key_list("${name}")`) as { table: string; from: string }[])
          .filter(({ table }) => table === target)
          .map(({ from }) => `${name}.${from}`),
      )
      .sort();
  // A new one belongs into handOut.ts and erase.ts, and then here.
  expect(pointing('users')).toEqual([
    'assignments.given_by',
    'assignments.let_in_by',
    'assignments.user_id',
    'attempts.user_id',
    'class_members.user_id',
    'late_answers.judged_by',
    'mark_log.reader_id',
    'marks.reader_id',
    'rescorings.by_id',
    'rooms.opened_by',
    'sessions.user_id',
    'supervision_log.by_id',
    'supervision_log.student_id',
    'uploads.user_id',
    'users.tries_for',
  ]);
  expect(pointing('attempts')).toEqual([
    'devices.attempt_id',
    'events.attempt_id',
    'item_results.attempt_id',
    'item_sessions.attempt_id',
    'late_answers.attempt_id',
    'mark_log.attempt_id',
    'marks.attempt_id',
    'responses.attempt_id',
    'settled_marks.attempt_id',
    'snapshots.attempt_id',
    'test_results.attempt_id',
  ]);
});
