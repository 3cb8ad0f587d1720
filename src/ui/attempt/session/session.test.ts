/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { BrowserEvent } from '@/core/attempt/events';
import { NEW_ATTEMPT, NEW_ITEM } from '@/core/attempt/state';
import { browserEvent } from '@/core/wire/events';
import { NO_PLACES } from '../offline/places';
import { emptied, firstBatch } from './batches';
import { ServerClock } from './clock';
import { openJournal, type Journal } from './journal';
import { openSession } from './openSession';
import { AttemptSession } from './session';
import { ServerRefusal } from './transport';
import { CONTENT, FakeServer, HandTimers, partsOpen, settle, stageAt, wentOn } from './testServer';

let attempt = 0;
function open(server: FakeServer, journal?: Journal) {
  attempt += 1;
  const own = journal ?? openJournal(`attempt-${attempt}`);
  const timers = new HandTimers();
  const clock = new ServerClock(1_000_000, () => 0);
  const session = new AttemptSession(
    { device: 'page-1', state: { ...NEW_ATTEMPT, phase: 'running' }, cursor: 0 },
    CONTENT,
    clock,
    { journal: own, places: NO_PLACES },
    server,
    timers,
    () => 0,
  );
  return { session, timers, journal: own };
}
const answer = (value: string) => ({
  type: 'answered' as const,
  item: 'q',
  responses: { R: value },
  how: 'edit' as const,
});

test('an answer shows at once, is journalled, sent, acknowledged and forgotten', async () => {
  const server = new FakeServer();
  const { session, timers, journal } = open(server);
  session.dispatch(answer('A'));
  expect(session.getState().items.q?.responses.R).toBe('A');
  expect(session.getStatus().save).toBe('saving');
  await settle();
  expect((await journal.kept()).get('page-1')).toHaveLength(1);
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('saved');
  expect(server.kept.get('page-1')?.size).toBe(1);
  timers.fire();
  await settle();
  expect((await journal.kept()).size).toBe(0);
  session.close();
});

test('with the network down the sign says so, and everything goes when it is back', async () => {
  const server = new FakeServer();
  const { session, timers, journal } = open(server);
  server.up = false;
  session.dispatch(answer('A'));
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('kept');
  session.dispatch(answer('B'));
  await settle();
  expect((await journal.kept()).get('page-1')).toHaveLength(2);
  server.up = true;
  session.wake();
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('saved');
  expect([...(server.kept.get('page-1')?.keys() ?? [])]).toEqual([1, 2]);
  session.close();
});

test.each([
  ['disk-full', 507],
  ['busy', 503],
])(
  'a server that has no way to write (%s) is waited for: kept here, said so, and sent when it can',
  async (code, status) => {
    const server = new FakeServer();
    const { session, timers, journal } = open(server);
    const { save } = server;
    server.save = () => Promise.reject(new ServerRefusal(code, status));
    session.dispatch(answer('A'));
    timers.fire();
    await settle();
    expect(session.getStatus()).toMatchObject({ save: 'kept', signedOut: false, over: false });
    session.dispatch(answer('B'));
    await settle();
    expect((await journal.kept()).get('page-1')).toHaveLength(2);
    server.save = save;
    timers.fire();
    await settle();
    expect(session.getStatus().save).toBe('saved');
    expect([...(server.kept.get('page-1')?.keys() ?? [])]).toEqual([1, 2]);
    session.close();
  },
);

test('an answer of the server that is lost is asked for again, and nothing is kept twice', async () => {
  const server = new FakeServer();
  const { session, timers } = open(server);
  server.loseAnswer = true;
  session.dispatch(answer('A'));
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('kept');
  server.loseAnswer = false;
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('saved');
  expect(server.kept.get('page-1')?.size).toBe(1);
  session.close();
});

test('a computer that cannot keep answers is said to be at risk only while the network is down too', async () => {
  const server = new FakeServer();
  const broken: Journal = {
    append: () => Promise.reject(new Error('disk full')),
    forget: () => Promise.resolve(),
    kept: () => Promise.resolve(new Map()),
  };
  const { session, timers } = open(server, broken);
  server.up = false;
  session.dispatch(answer('A'));
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('at-risk');
  server.up = true;
  timers.fire();
  await settle();
  expect(session.getStatus().save).toBe('saved');
  session.close();
});

test('a page that died leaves its answers to the next one, which sends them first', async () => {
  const server = new FakeServer();
  const { session, journal } = open(server);
  server.up = false;
  session.dispatch(answer('A'));
  await settle();
  session.close();
  server.up = true;
  const next = await openSession(
    { journal, places: NO_PLACES },
    server,
    (serverNow) => new ServerClock(serverNow, () => 0),
  );
  expect(server.kept.get('page-1')?.size).toBe(1);
  expect((await journal.kept()).size).toBe(0);
  next.close();
});

test('what an earlier page left behind and the server does not know it for is said again by this one', async () => {
  const server = new FakeServer();
  const { session, journal } = open(server);
  server.up = false;
  session.dispatch(answer('A'));
  await settle();
  session.close();
  server.up = true;
  server.forgot = 'page-1';
  const next = await openSession(
    { journal, places: NO_PLACES },
    server,
    (serverNow) => new ServerClock(serverNow, () => 0),
  );
  await next.flush();
  expect(next.getState().items.q?.responses.R).toBe('A');
  expect([...(server.kept.get('page-2')?.values() ?? [])]).toMatchObject([{ type: 'answered', seq: 1 }]);
  next.close();
});

test('the clock being put right never dates a later answer before an earlier one', async () => {
  const server = new FakeServer();
  const { session } = open(server);
  session.dispatch(answer('A'));
  session.clock.correct(500_000, 0);
  session.dispatch(answer('B'));
  await settle();
  await session.flush();
  const [first, second] = [...(server.kept.get('page-1')?.values() ?? [])];
  expect(second?.at).toBeGreaterThanOrEqual(first?.at ?? Infinity);
  expect(session.getState().items.q?.responses.R).toBe('B');
  session.close();
});

test('what an earlier page left behind is sent even when the server will not take one of it', async () => {
  const server = new FakeServer();
  server.refuses = 'BAD';
  const { session, journal } = open(server);
  server.up = false;
  for (const item of ['Q1', 'BAD', 'Q2'])
    session.dispatch({ type: 'answered', item, responses: { R: 'A' }, how: 'edit' });
  await settle();
  session.close();
  server.up = true;
  const next = await openSession(
    { journal, places: NO_PLACES },
    server,
    (serverNow) => new ServerClock(serverNow, () => 0),
  );
  const kept = [...(server.kept.get('page-1')?.values() ?? [])];
  expect(kept.map((event) => event.type)).toEqual(['answered', 'tool-kept', 'answered']);
  expect((await journal.kept()).size).toBe(0);
  next.close();
});

test('handing in waits for the answers, and fails honestly without network', async () => {
  const server = new FakeServer();
  const { session } = open(server);
  session.dispatch(answer('A'));
  server.up = false;
  await expect(session.handIn('asked')).rejects.toThrow(TypeError);
  server.up = true;
  await session.handIn('asked');
  expect(server.kept.get('page-1')?.size).toBe(1);
});

test('when another browser takes over, this one stops taking answers', async () => {
  const server = new FakeServer();
  const { session, timers } = open(server);
  server.moved = true;
  session.dispatch(answer('A'));
  timers.fire();
  await settle();
  expect(session.getStatus().moved).toBe(true);
  session.dispatch(answer('B'));
  expect(session.getState().items.q?.responses.R).toBe('A');
  session.close();
});

test('being signed out keeps the answers here and says so', async () => {
  const server = new FakeServer();
  const { session, timers } = open(server);
  server.save = () => Promise.reject(new ServerRefusal('not-signed-in', 401));
  session.dispatch(answer('A'));
  timers.fire();
  await settle();
  expect(session.getStatus()).toMatchObject({ signedOut: true, save: 'kept' });
  session.close();
});

test('a check is asked for only when everything given before has arrived', async () => {
  const server = new FakeServer();
  const { session } = open(server);
  session.dispatch({ type: 'answered', item: 'Q', responses: { R: 'A' }, how: 'edit' });
  await session.check('Q', null);
  expect(session.getTest().items.Q).toMatchObject({ ref: 'Q' });
  expect(server.heldAtCheck).toBe(1);
  server.up = false;
  session.dispatch({ type: 'answered', item: 'Q', responses: { R: 'B' }, how: 'edit' });
  await expect(session.check('Q', null)).rejects.toThrow(TypeError);
  expect(session.getState().items.Q?.responses).toEqual({ R: 'B' });
});

test('an event the server will not take holds nothing else up, and is told of', async () => {
  const server = new FakeServer();
  server.refuses = 'BAD';
  const { session, timers } = open(server);
  for (const item of ['Q1', 'BAD', 'Q2', 'Q3'])
    session.dispatch({ type: 'answered', item, responses: { R: 'A' }, how: 'edit' });
  for (let i = 0; i < 12; i += 1) {
    timers.fire();
    await settle();
  }
  const kept = [...(server.kept.get('page-1')?.values() ?? [])];
  expect(kept.map((event) => event.seq).sort()).toEqual([1, 2, 3, 4]);
  expect(kept.filter((event) => event.type === 'answered').map((event) => event.item)).toEqual([
    'Q1',
    'Q2',
    'Q3',
  ]);
  expect(session.getStatus().save).toBe('at-risk');
  expect(session.getState().items.BAD?.responses).toEqual({ R: 'A' });
});

test('two large files do not travel in one batch', () => {
  const large = (seq: number): BrowserEvent => ({
    device: 'page-1',
    seq,
    at: 1,
    type: 'answered',
    item: 'Q',
    responses: { R: 'x'.repeat(2_600_000) },
    how: 'edit',
  });
  expect(firstBatch([large(1), large(2)])).toHaveLength(1);
  expect(firstBatch([])).toEqual([]);
});

test('what is sent in the place of something refused names nothing of the test that could be refused again', () => {
  const stamp = { device: 'page-1', seq: 4, at: 1_000 };
  const sent = emptied({
    ...stamp,
    type: 'highlighted',
    text: 'item:gone',
    start: 0,
    end: 9,
    exact: 'far too long',
    colour: 'kelp',
  });
  expect(browserEvent.safeParse(sent).success).toBe(true);
  expect(sent).toMatchObject(stamp);
  expect(JSON.stringify(sent)).not.toMatch(/gone|far too long/);
  expect('item' in sent || 'text' in sent).toBe(false);
});

describe('a server that came back from a backup', () => {
  test('and has less of this page than it had is sent what it lacks, and sending ends', async () => {
    const server = new FakeServer();
    const { session } = open(server);
    for (const value of ['A', 'B', 'C']) session.dispatch(answer(value));
    await session.flush();
    server.kept.get('page-1')?.delete(3);
    server.kept.get('page-1')?.delete(2);
    session.dispatch(answer('D'));
    // Its first reply says that 2 and 3 are missing.
    expect(await session.flush()).toBe(false);
    expect(session.getStatus().save).toBe('kept');
    expect(await session.flush()).toBe(true);
    expect([...(server.kept.get('page-1')?.keys() ?? [])].sort()).toEqual([1, 2, 3, 4]);
    expect(session.getStatus().save).toBe('saved');
    session.close();
  });

  test('and does not know this page is told all of it under another name, what it was opened with included', async () => {
    const server = new FakeServer();
    const journal = openJournal('attempt-forgotten');
    const timers = new HandTimers();
    const earlier = { ...NEW_ITEM, responses: { R: 'kept before' }, flagged: true };
    const session = new AttemptSession(
      {
        device: 'page-1',
        state: { ...NEW_ATTEMPT, phase: 'running', items: { earlier } },
        cursor: 7,
      },
      CONTENT,
      new ServerClock(1_000_000, () => 0),
      { journal, places: NO_PLACES },
      server,
      timers,
      () => 0,
    );
    session.dispatch(answer('A'));
    await session.flush();
    server.forgot = 'page-1';
    session.dispatch(answer('B'));
    expect(await session.flush()).toBe(false);
    expect(await session.flush()).toBe(true);
    expect([...(server.kept.get('page-2')?.values() ?? [])]).toMatchObject([
      { seq: 1, type: 'answered', item: 'earlier', responses: { R: 'kept before' } },
      { seq: 2, type: 'flagged', item: 'earlier', on: true },
      { seq: 3, type: 'answered', item: 'q', responses: { R: 'A' } },
      { seq: 4, type: 'answered', item: 'q', responses: { R: 'B' } },
    ]);
    expect(session.getState().items.q?.responses.R).toBe('B');
    expect(session.getStatus().save).toBe('saved');
    timers.fire();
    await settle();
    expect((await journal.kept()).size).toBe(0);
    session.close();
  });
});

describe('a test with stages', () => {
  const openStaged = (server: FakeServer) => {
    server.shows = partsOpen('q', 'one');
    const timers = new HandTimers();
    const session = new AttemptSession(
      {
        device: 'page-1',
        state: {
          ...NEW_ATTEMPT,
          phase: 'running',
          stage: stageAt('one', 'q'),
          current: 'q',
          countedTo: 1_000_000,
        },
        cursor: 0,
      },
      server.shows,
      new ServerClock(1_000_000, () => 0),
      { journal: openJournal(`staged-${(attempt += 1)}`), places: NO_PLACES },
      server,
      timers,
      () => 0,
    );
    return { session, timers };
  };

  test('what is given is sent before going on, and what may be seen then comes with where it stands', async () => {
    const server = new FakeServer();
    const { session } = openStaged(server);
    session.dispatch(answer('A'));
    server.shows = partsOpen('r', 'two');
    server.leadsTo = stageAt('two', 'r');
    await session.goOn('end-part');
    expect(server.heldAtGoOn).toBe(1);
    expect(session.getState().current).toBe('r');
    expect(Object.keys(session.getTest().items)).toEqual(['r']);
    // Nothing is fetched that came already; and what was left is closed here too.
    expect(server.fetched).toBe(0);
    session.dispatch(answer('B'));
    expect(session.getState().items.q?.responses.R).toBe('A');
    session.dispatch({ ...answer('C'), item: 'r' });
    expect(session.getState().items.r?.responses.R).toBe('C');
    session.close();
  });

  test('without network nothing is done', async () => {
    const server = new FakeServer();
    const { session } = openStaged(server);
    server.up = false;
    session.dispatch(answer('A'));
    await expect(session.goOn('end-part')).rejects.toThrow('not all arrived');
    expect(session.getState().current).toBe('q');
    session.close();
  });

  test('led on by a clock or from another page: what may be seen there is fetched, and again until it comes', async () => {
    const server = new FakeServer();
    const { session, timers } = openStaged(server);
    server.says = [wentOn('time', stageAt('two', 'r'))];
    server.shows = partsOpen('r', 'two');
    const content = server.content;
    server.content = () => Promise.reject(new TypeError('network'));
    timers.fire();
    await settle();
    expect(session.isDelivered).toBe(false);
    server.content = content;
    timers.fire();
    await settle();
    expect(session.isDelivered).toBe(true);
    expect(session.getState().current).toBe('r');
    session.close();
  });
});
