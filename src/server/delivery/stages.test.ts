import type { ServerEvent } from '@/core/attempt/events';
import { resultFor } from '../results/results';
import { assignedTests } from './assignments';
import { attemptAsset, attemptContent } from './content';
import { handIn, resumeAttempt, saveBatch, stopAttempt } from './delivery';
import { appendEvent, eventsOf, stateOf } from './eventLog';
import { attemptOf } from './attempts';
import { sittingOf } from './sittings';
import { catchUp, goOn } from './stages';
import { testSchool, type TestSchool } from './testSchool';

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool('content/skerry-sound-crossing');
});
afterEach(() => school.close());

const answer = (item: string, value: string, at: number, received?: number) =>
  school.say({ type: 'answered', item, responses: { RESPONSE: value }, how: 'edit' }, at, received);
const move = (what: 'next' | 'end-part' | 'time', at: number) =>
  goOn(school.db, school.student, { attemptId: school.attemptId, move: what }, school.device, at);
const state = () => stateOf(school.db, school.attemptId);
const content = (at: number) => attemptContent(school.db, school.student, school.attemptId, at).test;
const given = (item: string) => state().items[item]?.responses.RESPONSE ?? null;
const wentOn = () =>
  eventsOf(school.db, school.attemptId).filter(
    (event): event is Extract<ServerEvent, { type: 'went-on' }> => event.type === 'went-on',
  );
const result = () => resultFor(school.db, school.student, school.attemptId);

test('what is not open is not given: parts ahead, the rest of a part without a way back, a part that ended without review', () => {
  const first = content(1500);
  expect(Object.keys(first.items)).toHaveLength(4);
  expect(JSON.stringify(first)).not.toMatch(/tide|horn|skipper/);
  const { test: water } = move('end-part', 2000);
  expect(Object.values(water.items).map(({ number }) => number)).toEqual([1, 2, 3, 4, 5]);
  move('next', 3000);
  const after = content(3500);
  expect(after.items['tide-1']).toBeUndefined();
  expect(after.items['tide-2']?.number).toBe(6);
  expect(
    assignedTests(school.db, school.student.id)[0]?.parts.map(({ questions, forwardOnly }) => [
      questions,
      forwardOnly,
    ]),
  ).toEqual([
    [4, false],
    [5, true],
    [2, false],
  ]);
});

test('a rule is asked with the answer given, and what it leaves out is neither shown nor counted', async () => {
  move('end-part', 2000);
  await answer('tide-1', 'B', 3000);
  const went = move('next', 4000);
  expect(JSON.stringify(went.feedback)).toContain('six hours after 6:10');
  expect(state().current).toBe('signal-1');
  expect(went.test.count).toBe(10);
  // Again, of a page that did not hear the answer: it goes on from where it stands now.
  expect(() =>
    goOn(school.db, school.student, { attemptId: school.attemptId, move: 'next' }, 'made-up', 4500),
  ).toThrow('unknown-device');
});

test('a closed question takes no answer by any way: what comes is kept, and does not count', async () => {
  await answer('chart-1', 'E', 1500);
  move('end-part', 2000);
  await answer('chart-1', 'N', 3000);
  // Dated back, as if it had been on its way.
  await answer('chart-2', '9', 1600, 3100);
  expect([given('chart-1'), given('chart-2')]).toEqual(['E', null]);
  const standings = school.db
    .prepare<[], { standing: string; at: number }>(
      "SELECT standing, at FROM events WHERE device <> 'server' ORDER BY seq",
    )
    .all();
  expect(standings.map(({ standing }) => standing)).toEqual(['counts', 'late', 'late']);
  await answer('fog-1', 'A', 3200);
  expect(given('fog-1')).toBeNull();
});

test('what the first answers to a question that was just opened say counts, though the browser’s clock is behind', async () => {
  move('end-part', 2000);
  await answer('tide-1', 'B', 1200, 2100);
  expect(given('tide-1')).toBe('B');
  move('next', 2200);
  expect(state().current).toBe('signal-1');
});

test('a part’s clock ends it at its own moment: what was given before counts, what came after does not', async () => {
  await answer('chart-1', 'E', 1500);
  const over = 1000 + 900_000;
  await answer('chart-2', '9', over + 10, over + 500);
  expect(wentOn()).toMatchObject([{ by: 'time', at: over, stage: { part: 'water', at: 'tide-1' } }]);
  expect([given('chart-1'), given('chart-2')]).toEqual(['E', null]);
  // Said once, whoever asks.
  expect(move('time', over + 600)).toMatchObject({ moved: false });
  await answer('tide-1', 'B', over + 700);
  handIn(school.db, school.student, school.attemptId, school.device, 'asked', over + 800);
  expect(
    result()
      ?.questions.filter(({ verdict }) => verdict === 'right')
      .map(({ ref }) => ref),
  ).toEqual(['chart-1', 'tide-1']);
});

test('a clock that ended while nobody looked is said when the page comes back, before the pause is', () => {
  const late = 1000 + 10 * 60_000;
  resumeAttempt(school.db, school.student, school.attemptId, null, late);
  // Two minutes of silence count, and no more.
  expect(wentOn()).toEqual([]);
  expect(state().spent).toMatchObject({ 'part plan': 120_000 });
});

test('the student’s extra time is in every clock', async () => {
  school.close();
  school = await testSchool('content/skerry-sound-crossing', { needs: { timeMultiplier: 1.5 } });
  expect(content(1500).clocks).toMatchObject([{ kind: 'part', maximum: 1_350_000 }]);
  await answer('chart-1', 'E', 1000 + 1_349_000);
  expect(state().stage?.part).toBe('plan');
  await answer('chart-2', '9', 1000 + 1_350_000);
  expect([state().stage?.part, given('chart-2')]).toEqual(['water', null]);
});

test('asked to go on in the moment after a clock has led on, nothing more is done', () => {
  move('end-part', 2000);
  move('next', 3000);
  move('next', 4000);
  expect(state().current).toBe('signal-1');
  const over = 4000 + 90_000;
  expect(move('next', over + 100)).toMatchObject({ moved: true });
  expect(state().current).toBe('speed-1');
});

test('an answer that must be given holds going on, and what is done again is the same', async () => {
  move('end-part', 2000);
  for (const at of [3000, 4000, 5000]) move('next', at);
  expect(() => move('next', 6000)).toThrow('needs-answer');
  expect(() => move('end-part', 6000)).toThrow('needs-answer');
  expect(() => handIn(school.db, school.student, school.attemptId, school.device, 'asked', 6000)).toThrow(
    'needs-answer',
  );
  await answer('speed-1', '6', 6500);
  move('next', 7000);
  move('next', 8000);
  expect(state().stage).toMatchObject({
    part: 'log',
    lookable: expect.not.arrayContaining(['tide-1']) as string[],
  });
  expect(() => move('next', 8500)).toThrow('bad-input');
  move('end-part', 9000);
  expect(state().stage).toMatchObject({ part: null, at: null, open: [] });
  handIn(school.db, school.student, school.attemptId, school.device, 'asked', 10_000);
  const { questions, feedback } = result() ?? { questions: [], feedback: [] };
  expect(questions.map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
  expect(JSON.stringify(feedback)).toContain('came in late');
  expect(() => move('next', 11_000)).toThrow('handed-in');
});

test('nothing moves while it is stopped, and its clocks stand', async () => {
  stopAttempt(school.db, school.student, school.attemptId, school.device, 2000);
  expect(() => move('end-part', 3000)).toThrow('stopped');
  const { device } = resumeAttempt(school.db, school.student, school.attemptId, null, 2_000_000);
  await saveBatch(school.db, school.student, school.attemptId, { device, events: [], cursor: 0 }, 2_000_500);
  expect(wentOn()).toEqual([]);
  expect(state().spent).toEqual({ 'chart-1': 1000, 'part plan': 1000 });
});

test('a replaced page leads nowhere, and files of what is not open are not there', () => {
  const old = school.device;
  resumeAttempt(school.db, school.student, school.attemptId, null, 2000);
  expect(() =>
    goOn(school.db, school.student, { attemptId: school.attemptId, move: 'end-part' }, old, 3000),
  ).toThrow('moved');
  expect(() => attemptAsset(school.db, school.student, school.attemptId, 'items/tide-1.xml', 3000)).toThrow(
    'not-found',
  );
});

test('what was rolled back is not there, though it was worked out', async () => {
  await answer('chart-1', 'E', 1500);
  const over = 1000 + 900_000;
  const event = { type: 'opened', item: 'chart-2', device: school.device, seq: 2, at: 1600 } as const;
  expect(() =>
    school.db.transaction(() => {
      appendEvent(school.db, school.attemptId, event, 1600);
      catchUp(school.db, attemptOf(school.db, school.student, school.attemptId), 1700);
      throw new Error('rolled back');
    })(),
  ).toThrow('rolled back');
  await school.say({ type: 'opened', item: 'chart-1' }, 1800);
  await answer('chart-2', '9', over + 5, over + 500);
  const fresh = sittingOf(school.db, attemptOf(school.db, school.student, school.attemptId), over + 500);
  const kept = catchUp(school.db, attemptOf(school.db, school.student, school.attemptId), over + 500).sitting;
  expect(kept.state).toEqual(fresh.state);
  expect(kept.state.route).not.toContain('chart-2');
});

test('looking at a part that has ended keeps nobody from finishing the open one, and goes on nowhere by itself', async () => {
  move('end-part', 2000);
  await school.say({ type: 'opened', item: 'chart-1' }, 3000);
  expect(state().current).toBe('chart-1');
  expect(() => move('next', 4000)).toThrow('bad-input');
  move('end-part', 5000);
  expect(state()).toMatchObject({ current: 'log-1', stage: { part: 'log' } });
});

test('what was on its way when the test was stopped counts where it was given, and is not newer than what came after it', async () => {
  const { db, student, attemptId, device } = school;
  const event = (seq: number, at: number, value: string) =>
    ({
      type: 'answered',
      item: 'chart-1',
      responses: { RESPONSE: value },
      how: 'edit',
      device,
      seq,
      at,
    }) as const;
  await saveBatch(db, student, attemptId, { device, events: [event(2, 2950, 'N')], cursor: 0 }, 2960);
  stopAttempt(db, student, attemptId, device, 3000);
  await saveBatch(db, student, attemptId, { device, events: [event(1, 2900, 'E')], cursor: 0 }, 3400);
  expect(given('chart-1')).toBe('N');
  expect(
    db
      .prepare<[string], { standing: string }>('SELECT standing FROM events WHERE seq = 1 AND device = ?')
      .get(device),
  ).toEqual({ standing: 'counts' });
});
