import { may } from '@/core/attempt/may';
import { openSession, userOfSession } from '../accounts/sessions';
import { doneTo } from '../accounts/supervisionLog';
import type { User } from '../accounts/users';
import { classOverview } from '../results/overview';
import { resultFor } from '../results/results';
import { attemptContent } from './content';
import { assignedTests } from './assignments';
import { beginAttempt, handIn, resumeAttempt, saveBatch, stopAttempt } from './delivery';
import { stateOf } from './eventLog';
import { judgeLate } from './late';
import { goOn } from './stages';
import { closeRoom, openRoom, openRooms } from './rooms';
import { addTime, endAttempt, hold, letIn, moveAttempt, release, unlock } from './supervise';
import { ADMINISTRATOR, addPetra, testSchool, type TestSchool } from './testSchool';

const MINUTE = 60_000;
let school: TestSchool;
let petra: User;
const given = async (options: object, content = 'content/skerry-sound-grade-6') => {
  school = await testSchool(content, { now: 1000 });
  school.db.prepare('UPDATE assignments SET options = ?').run(JSON.stringify(options));
  petra = await addPetra(school.db);
};
afterEach(() => school.close());

const answered = (item: string, value: string) =>
  ({ type: 'answered', item, responses: { RESPONSE: value }, how: 'edit' }) as const;
const state = () => stateOf(school.db, school.attemptId);
const row = () =>
  classOverview(school.db, ADMINISTRATOR, 0).find(({ attemptId }) => attemptId === school.attemptId);
/** Stops, and opens it again after some minutes; gives the name of the new page. */
const pauseFor = (minutes: number, at: number) => {
  stopAttempt(school.db, school.student, school.attemptId, school.device, at);
  return resumeAttempt(school.db, school.student, school.attemptId, null, at + minutes * MINUTE).device;
};
const sendFrom = (device: string, seq: number, item: string, value: string, at: number, received = at) =>
  saveBatch(
    school.db,
    school.student,
    school.attemptId,
    { device, events: [{ ...answered(item, value), device, seq, at }], cursor: 0 },
    received,
  );

describe('after a long pause', () => {
  test('what was answered is locked, until whoever supervises opens it; the rest goes on', async () => {
    await given({});
    await school.say(answered('reading-1', 'B'), 2000);
    const device = pauseFor(21, 3000);
    const now = 3000 + 21 * MINUTE;
    expect(state().locked?.items).toEqual(['reading-1']);
    expect(may(state(), answered('reading-1', 'A'), now + 10)).toBe('closed');
    expect(may(state(), answered('reading-2', 'A'), now + 10)).toBeNull();
    expect(row()).toMatchObject({ locked: 1 });
    // Forged, and by the page that was there before: kept, and not counted.
    await sendFrom(device, 1, 'reading-1', 'A', now + 20);
    await sendFrom(school.device, 2, 'reading-1', 'C', now + 30);
    await sendFrom(device, 2, 'reading-2', 'B', now + 40);
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'B' });
    expect(state().items['reading-2']?.responses).toEqual({ RESPONSE: 'B' });
    unlock(school.db, petra, school.attemptId, now + 50);
    unlock(school.db, petra, school.attemptId, now + 60);
    expect(state().locked).toBeNull();
    expect(row()).toMatchObject({ locked: 0 });
    // Told to the page with its next save.
    const saved = await sendFrom(device, 3, 'reading-1', 'A', now + 100);
    expect(saved.others.filter(({ type }) => type === 'unlocked')).toHaveLength(1);
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'A' });
    handIn(school.db, school.student, school.attemptId, device, 'asked', now + 200);
    const late = school.db.prepare("SELECT count(*) AS count FROM events WHERE standing = 'late'").get();
    expect(late).toEqual({ count: 2 });
    expect(resultFor(school.db, school.student, school.attemptId)?.questions[0]?.verdict).toBe('wrong');
  });
  test('an answer given before the pause that arrives after it counts still', async () => {
    await given({});
    await school.say(answered('reading-1', 'B'), 2000);
    const device = pauseFor(30, 3000);
    await saveBatch(
      school.db,
      school.student,
      school.attemptId,
      {
        device: school.device,
        events: [{ ...answered('reading-1', 'C'), device: school.device, seq: 2, at: 2900 }],
        cursor: 0,
      },
      3000 + 30 * MINUTE + 500,
    );
    expect(device).not.toBe(school.device);
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'C' });
  });
  test.each([
    ['a short one', {}, 19, null],
    ['as the assignment says', { lockAfter: 5 }, 6, ['reading-1']],
    ['never, where it says so', { lockAfter: null }, 600, null],
  ] as const)('%s', async (_, options, minutes, locked) => {
    await given(options);
    await school.say(answered('reading-1', 'B'), 2000);
    pauseFor(minutes, 3000);
    expect(state().locked?.items ?? null).toEqual(locked);
  });
  test('where nothing was answered nothing is locked', async () => {
    await given({});
    await school.say({ type: 'opened', item: 'reading-1' }, 2000);
    pauseFor(60, 3000);
    expect(state().locked).toBeNull();
  });
});

describe('the go-ahead', () => {
  test('a test that asks for one is begun only once the student is let in', async () => {
    await given({});
    school.db.prepare('DELETE FROM events').run();
    for (const table of ['devices', 'attempts']) school.db.prepare(`DELETE FROM ${table}`).run();
    school.db.prepare(`UPDATE assignments SET options = '{"goAhead":true}'`).run();
    const [assigned] = assignedTests(school.db, school.student.id);
    if (!assigned) throw new Error('nothing assigned');
    expect(assigned.waits).toBe(true);
    expect(() => beginAttempt(school.db, school.student, assigned.assignmentId, 5000)).toThrow('no-go-ahead');
    expect(classOverview(school.db, ADMINISTRATOR)[0]).toMatchObject({ waits: true, state: 'not-started' });
    expect(() => letIn(school.db, petra, 9_999, 5100)).toThrow('not-found');
    letIn(school.db, petra, assigned.assignmentId, 5200);
    letIn(school.db, petra, assigned.assignmentId, 5300);
    expect(school.db.prepare('SELECT let_in_at, let_in_by FROM assignments').get()).toEqual({
      let_in_at: 5200,
      let_in_by: petra.id,
    });
    expect(assignedTests(school.db, school.student.id)[0]?.waits).toBe(false);
    expect(beginAttempt(school.db, school.student, assigned.assignmentId, 5400).attemptId).toBeTruthy();
  });
});

describe('what whoever supervises is told', () => {
  test('how often the test was left, once each however often it is sent, and the battery as it is now', async () => {
    await given({ ownsScreen: true });
    expect(attemptContent(school.db, school.student, school.attemptId, 1500).test.given).toMatchObject({
      ownsScreen: true,
      lockAfter: 20,
    });
    await school.say({ type: 'left', how: 'hidden' }, 2000);
    await school.say({ type: 'returned' }, 2100);
    await school.say({ type: 'battery', low: true }, 2200);
    const { device } = school;
    const again = { type: 'left', how: 'hidden', device, seq: 1, at: 2000 } as const;
    await saveBatch(
      school.db,
      school.student,
      school.attemptId,
      { device, events: [again], cursor: 0 },
      2300,
    );
    expect(row()).toMatchObject({ timesLeft: 1, lowBattery: true, state: 'running', silentFor: 0 });
    await school.say({ type: 'left', how: 'hidden' }, 2310);
    await school.say({ type: 'returned', reloaded: true }, 2320);
    expect(row()).toMatchObject({ timesLeft: 1 });
    await school.say({ type: 'battery', low: false }, 2400);
    expect(row()).toMatchObject({ lowBattery: false });
    expect(classOverview(school.db, ADMINISTRATOR, 2400 + 5 * MINUTE)[0]?.silentFor).toBe(5 * MINUTE);
  });
});

describe('paused by whoever supervises', () => {
  const heartbeat = (at: number, device = school.device) =>
    saveBatch(school.db, school.student, school.attemptId, { device, events: [], cursor: 0 }, at);
  test('the page hears of it, what it says with that counts, the clock stands, and it goes on by itself', async () => {
    await given({});
    hold(school.db, petra, school.attemptId, 2000);
    expect(state().phase).toBe('running');
    expect(row()).toMatchObject({ state: 'running', held: 'asked' });
    // Given before the page has heard of it.
    await school.say(answered('reading-1', 'B'), 6000);
    expect(state()).toMatchObject({ phase: 'stopped', holds: ['proctor'] });
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'B' });
    expect(row()).toMatchObject({ state: 'stopped', held: 'held' });
    expect(() => attemptContent(school.db, school.student, school.attemptId, 7000)).toThrow('stopped');
    // A press of the student, or another page, lets nothing go on.
    const { device } = resumeAttempt(school.db, school.student, school.attemptId, null, 8000);
    expect(state().phase).toBe('stopped');
    release(school.db, petra, school.attemptId, 66_000);
    release(school.db, petra, school.attemptId, 67_000);
    expect(state()).toMatchObject({ phase: 'running', holds: [], locked: null });
    expect(state().timing.used).toBe(5000);
    const told = await heartbeat(68_000, device);
    expect(told.phase).toBe('running');
    expect(row()).toMatchObject({ state: 'running', held: null });
  });
  test('one that its student has stopped is not opened behind it, and a long one locks as every pause does', async () => {
    await given({});
    await school.say(answered('reading-1', 'B'), 2000);
    stopAttempt(school.db, school.student, school.attemptId, school.device, 3000);
    hold(school.db, petra, school.attemptId, 4000);
    resumeAttempt(school.db, school.student, school.attemptId, null, 5000);
    expect(state().holds).toEqual(['proctor']);
    release(school.db, petra, school.attemptId, 5000 + 21 * MINUTE);
    expect(state()).toMatchObject({ phase: 'running', locked: { items: ['reading-1'] } });
  });
  test('taken back before the page has heard of it, and not of a test that is handed in', async () => {
    await given({});
    hold(school.db, petra, school.attemptId, 2000);
    release(school.db, petra, school.attemptId, 3000);
    await heartbeat(4000);
    expect(state().phase).toBe('running');
    handIn(school.db, school.student, school.attemptId, school.device, 'asked', 5000);
    expect(() => hold(school.db, petra, school.attemptId, 6000)).toThrow('handed-in');
    expect(() => hold(school.db, petra, 'none', 6000)).toThrow('not-found');
  });
});

describe('answers that came late', () => {
  /** Handed in at 10 s; a minute later an answer arrives that says it was given at 9 s, and nothing proves it. */
  const late = async () => {
    await given({});
    await school.say(answered('reading-1', 'A'), 2000);
    handIn(school.db, school.student, school.attemptId, school.device, 'asked', 10_000);
    await school.say(answered('reading-1', 'B'), 9000, 70_000);
  };
  const judge = (counts: boolean, ref = 'reading-1') =>
    judgeLate(school.db, petra, { attemptId: school.attemptId, ref, counts }, 80_000);
  const verdict = () => resultFor(school.db, school.student, school.attemptId)?.questions[0]?.verdict;
  test('wait for whoever supervises, and do not count meanwhile', async () => {
    await late();
    expect(row()?.late).toEqual([
      { ref: 'reading-1', number: 1, saidAt: 9000, receivedAt: 70_000, mayCount: true },
    ]);
    expect(verdict()).toBe('wrong');
  });
  test('count once that is decided: the test is scored again; what was said is kept', async () => {
    await late();
    judge(true);
    judge(false);
    expect(verdict()).toBe('right');
    expect(row()?.late).toEqual([]);
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'B' });
    expect(school.db.prepare('SELECT counts, said_at, judged_by FROM late_answers').all()).toEqual([
      { counts: 1, said_at: 9000, judged_by: petra.id },
    ]);
  });
  test('or are left out for good', async () => {
    await late();
    judge(false);
    judge(true);
    expect(verdict()).toBe('wrong');
    expect(row()?.late).toEqual([]);
  });
  test('given to a locked question they count as given before it was locked', async () => {
    await given({});
    await school.say(answered('reading-1', 'A'), 2000);
    const device = pauseFor(21, 3000);
    const now = 3000 + 21 * MINUTE;
    await sendFrom(device, 1, 'reading-1', 'B', now + 20);
    judge(true);
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'B' });
    // The page that is open hears of it as of everything others say.
    await sendFrom(device, 2, 'reading-2', 'A', now + 200);
    handIn(school.db, school.student, school.attemptId, device, 'asked', now + 300);
    expect(verdict()).toBe('right');
  });
  test('in a part without a way back they cannot count: the student was led on without them', async () => {
    await given({}, 'content/skerry-sound-crossing');
    goOn(school.db, school.student, { attemptId: school.attemptId, move: 'end-part' }, school.device, 2000);
    goOn(school.db, school.student, { attemptId: school.attemptId, move: 'next' }, school.device, 3000);
    await school.say(answered('tide-1', 'B'), 4000);
    const [late] = row()?.late ?? [];
    expect(late).toMatchObject({ ref: 'tide-1', mayCount: false });
    expect(() => judge(true, 'tide-1')).toThrow('closed');
    judge(false, 'tide-1');
    expect(row()?.late).toEqual([]);
  });
  test('many to one question are decided at once, in the order in which they were given', async () => {
    await late();
    for (let i = 0; i < 300; i += 1)
      await school.say(answered('reading-1', i % 2 ? 'B' : 'C'), 9001 + i, 71_000);
    expect(row()?.late).toMatchObject([{ ref: 'reading-1', saidAt: 9300 }]);
    judge(true);
    expect(state().items['reading-1']?.responses).toEqual({ RESPONSE: 'B' });
    expect(verdict()).toBe('right');
  });
  test('what is proven to have been on its way at the end is scored without asking', async () => {
    await given({});
    await school.say(answered('reading-1', 'A'), 2000);
    handIn(school.db, school.student, school.attemptId, school.device, 'asked', 10_000);
    await school.say(answered('reading-1', 'B'), 9000, 12_000);
    expect(verdict()).toBe('right');
    expect(row()?.late).toEqual([]);
  });
});

describe('more time, and the end', () => {
  const why = 'The fire bell rang.';
  const more = (minutes: number, at: number) =>
    addTime(school.db, petra, school.attemptId, { minutes, reason: why }, at);
  const log = () =>
    doneTo(school.db, petra).map(({ done, detail, reason, student }) => [done, detail, reason, student]);

  test('minutes are added to the whole test, for its page, its clock and its scoring', async () => {
    await given({});
    const limit = state().timing.limit ?? 0;
    expect(limit).toBe(45 * MINUTE);
    expect(row()).toMatchObject({ progress: { answered: 0, of: 12, at: null }, left: limit });
    more(10, 2000);
    expect(state().timing.limit).toBe(limit + 10 * MINUTE);
    const saved = await school.say(answered('reading-1', 'B'), 3000);
    expect(saved.others.filter(({ type }) => type === 'time-added')).toHaveLength(1);
    // Seven minutes after the first end: it counts.
    const late = 1000 + limit + 7 * MINUTE;
    await school.say({ type: 'opened', item: 'reading-3' }, late - 10);
    expect((await school.say(answered('reading-2', 'B'), late)).phase).toBe('running');
    expect(row()).toMatchObject({ progress: { answered: 2, of: 12, at: 3 } });
    const over = await school.say({ type: 'opened', item: 'reading-1' }, 1000 + limit + 11 * MINUTE);
    expect(over.phase).toBe('handed-in');
    expect(resultFor(school.db, school.student, school.attemptId)?.questions[0]?.verdict).toBe('right');
    expect(state().items['reading-2']?.responses).toEqual({ RESPONSE: 'B' });
    expect(log()).toEqual([['time-added', '10', why, 'Wren']]);
    expect(() => more(5, late)).toThrow('handed-in');
  });

  test('where a part has the clock, the minutes are the part’s; where nothing has one now, there is nothing to add to', async () => {
    await given({}, 'content/skerry-sound-crossing');
    const fifteen = 15 * MINUTE;
    expect(row()).toMatchObject({ left: null, timed: true });
    more(5, 2000);
    const late = 1000 + fifteen + 4 * MINUTE;
    await school.say(answered('chart-1', 'E'), late);
    expect([state().stage?.part, state().items['chart-1']?.responses]).toEqual(['plan', { RESPONSE: 'E' }]);
    // After its end there is nothing to add to, and nothing brings the part back.
    const over = 1000 + fifteen + 6 * MINUTE;
    expect(row()).toMatchObject({ timed: true });
    expect(() => more(5, over)).toThrow('no-clock');
    await school.say(answered('chart-2', '9'), over + 10);
    expect([state().stage?.part, state().items['chart-2']?.responses]).toEqual(['water', undefined]);
    expect(log()).toHaveLength(1);
  });

  test('a page that is heard is ended once it has sent what it holds', async () => {
    await given({});
    await school.say(answered('reading-1', 'B'), 2000);
    endAttempt(school.db, petra, school.attemptId, why, 3000);
    expect(row()).toMatchObject({ state: 'running', ending: true });
    const saved = await school.say(answered('reading-2', 'B'), 3500);
    expect(saved.phase).toBe('handed-in');
    expect(saved.others.at(-1)).toMatchObject({ type: 'handed-in', reason: 'proctor', by: 'Petra Vance' });
    expect(state().items['reading-2']?.responses).toEqual({ RESPONSE: 'B' });
    expect(row()).toMatchObject({ state: 'handed-in', ending: false, progress: null, left: null });
    expect(log()).toEqual([['ended', '', why, 'Wren']]);
    expect(() => endAttempt(school.db, petra, school.attemptId, why, 4000)).toThrow('handed-in');
  });

  test('one that is stopped, not heard of, or asked for twice is ended at once', async () => {
    await given({});
    endAttempt(school.db, petra, school.attemptId, why, 1000 + 5 * MINUTE);
    expect(row()).toMatchObject({ state: 'handed-in' });
    school.close();
    await given({});
    stopAttempt(school.db, school.student, school.attemptId, school.device, 2000);
    endAttempt(school.db, petra, school.attemptId, why, 2100);
    expect(row()).toMatchObject({ state: 'handed-in' });
    school.close();
    await given({});
    endAttempt(school.db, petra, school.attemptId, why, 2000);
    endAttempt(school.db, petra, school.attemptId, why, 2100);
    expect(row()).toMatchObject({ state: 'handed-in' });
    expect(log()).toHaveLength(1);
  });

  test('one that is to go on at another computer stops once its page has sent what it holds, and its student is signed out', async () => {
    await given({});
    const { db, student, attemptId } = school;
    const { token } = openSession(db, student.id, 1500);
    await school.say(answered('reading-1', 'B'), 2000);
    moveAttempt(db, petra, attemptId, why, 3000);
    expect(row()).toMatchObject({ state: 'running', moving: true });
    expect(userOfSession(db, token, 3100)).not.toBeNull();
    const saved = await school.say(answered('reading-2', 'B'), 3500);
    expect(saved.others.at(-1)).toMatchObject({ type: 'stopped', reason: 'moved' });
    expect(row()).toMatchObject({ state: 'stopped', moving: false });
    expect(userOfSession(db, token, 3600)).toBeNull();
    const elsewhere = resumeAttempt(db, student, attemptId, null, 60_000);
    expect(elsewhere.state).toMatchObject({ phase: 'running' });
    expect(elsewhere.state.items['reading-2']?.responses).toEqual({ RESPONSE: 'B' });
    expect(log()).toEqual([['moved', '', why, 'Wren']]);
  });

  test('a computer that is not heard of is not waited for, and one where it is opened meanwhile has it', async () => {
    await given({});
    moveAttempt(school.db, petra, school.attemptId, why, 1000 + 5 * MINUTE);
    expect(row()).toMatchObject({ state: 'stopped', moving: false });
    school.close();
    await given({});
    moveAttempt(school.db, petra, school.attemptId, why, 2000);
    const { token } = openSession(school.db, school.student.id, 2100);
    resumeAttempt(school.db, school.student, school.attemptId, null, 2200);
    expect(row()).toMatchObject({ state: 'running', moving: false });
    expect(userOfSession(school.db, token, 2300)).not.toBeNull();
  });

  test('a test without a limit as a whole is given no time, and nobody does it to another’s student', async () => {
    await given({}, 'content/every-kind-of-question');
    expect(() => more(5, 2000)).toThrow('no-clock');
    const proctor = { ...petra, role: 'scorer' } as const;
    expect(() => endAttempt(school.db, proctor, school.attemptId, why, 2000)).toThrow('not-yours');
    school.db.prepare('DELETE FROM class_members').run();
    expect(() => endAttempt(school.db, petra, school.attemptId, why, 2000)).toThrow('not-found');
  });

  test('what was done is written down once each, and no line is changed or taken away', async () => {
    await given({ goAhead: true });
    hold(school.db, petra, school.attemptId, 2000);
    hold(school.db, petra, school.attemptId, 2100);
    release(school.db, petra, school.attemptId, 2200);
    release(school.db, petra, school.attemptId, 2300);
    const { code } = openRoom(
      school.db,
      petra,
      assignedTests(school.db, school.student.id)[0]?.testId ?? 0,
      2400,
    );
    const room = openRooms(school.db, petra, 2400)[0]?.id ?? 0;
    closeRoom(school.db, petra, room, 2500);
    closeRoom(school.db, petra, room, 2600);
    expect(log()).toEqual([
      ['room-closed', code, '', null],
      ['room-opened', code, '', null],
      ['released', '', '', 'Wren'],
      ['held', '', '', 'Wren'],
    ]);
    for (const sql of ['DELETE FROM supervision_log', "UPDATE supervision_log SET reason = 'x'"])
      expect(() => school.db.prepare(sql).run()).toThrow('only added to');
    // Who reaches nobody of it sees nothing of it.
    school.db.prepare('DELETE FROM class_members').run();
    expect(doneTo(school.db, { ...petra, id: -1 })).toEqual([]);
    expect(() => doneTo(school.db, school.student)).toThrow('not-yours');
  });
});
