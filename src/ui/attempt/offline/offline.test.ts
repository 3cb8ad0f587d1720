/** @jest-environment node */
import 'fake-indexeddb/auto';
import { NEW_ATTEMPT } from '@/core/attempt/state';
import { ServerClock } from '../session/clock';
import { openJournal } from '../session/journal';
import { OpenElsewhere, openSession } from '../session/openSession';
import { AttemptSession, type Keeping } from '../session/session';
import { CONTENT, FakeServer, HandTimers, partsOpen, settle, stageAt } from '../session/testServer';
import { ServerRefusal } from '../session/transport';
import { CACHES, isOfAttempt, kindOf } from './kinds';
import { forgetEveryPlace, openPlaces, type Place } from './places';

let attempts = 0;
/** One page of a new attempt, on a computer that keeps it. */
function page(server: FakeServer) {
  attempts += 1;
  const keeping: Keeping = {
    journal: openJournal(`attempt-${attempts}`),
    places: openPlaces(`attempt-${attempts}`),
  };
  const timers = new HandTimers();
  const session = new AttemptSession(
    { device: 'page-1', state: { ...NEW_ATTEMPT, phase: 'running' }, cursor: 0 },
    CONTENT,
    new ServerClock(1_000_000, () => 0),
    keeping,
    server,
    timers,
    () => 0,
  );
  return { session, timers, keeping };
}
const answer = (value: string, item = 'q') => ({
  type: 'answered' as const,
  item,
  responses: { R: value },
  how: 'edit' as const,
});
const at = (serverNow: number) => new ServerClock(serverNow, () => 0);
/** What a server that cannot be reached does to whatever is asked. */
const down = (server: FakeServer): FakeServer => {
  server.up = false;
  server.resume = () => Promise.reject(new TypeError('network'));
  return server;
};
const again = (keeping: Keeping, server: FakeServer, own = () => Promise.resolve(true)) =>
  openSession(keeping, server, at, own);

describe('a page loaded again without network', () => {
  test('stands where it stood, goes on with its own name and numbers, and everything arrives later', async () => {
    const server = new FakeServer();
    const { session, timers, keeping } = page(server);
    session.dispatch(answer('A'));
    await session.flush();
    timers.fire();
    await settle();
    down(server);
    session.dispatch(answer('B'));
    session.dispatch({ type: 'flagged', item: 'q', on: true });
    await settle();
    session.close();

    const next = await again(keeping, server);
    expect(next.name).toBe('page-1');
    expect(next.getState().items.q).toMatchObject({ responses: { R: 'B' }, flagged: true });
    expect(next.getStatus().save).toBe('kept');
    next.dispatch(answer('C'));
    await settle();
    next.close();

    const third = await again(keeping, server);
    expect(third.getState().items.q?.responses.R).toBe('C');
    server.up = true;
    expect(await third.flush()).toBe(true);
    expect([...(server.kept.get('page-1')?.values() ?? [])]).toMatchObject([
      { seq: 1, responses: { R: 'A' } },
      { seq: 2, responses: { R: 'B' } },
      { seq: 3, type: 'flagged' },
      { seq: 4, responses: { R: 'C' } },
    ]);
    expect(third.getStatus().save).toBe('saved');
    third.close();
  });

  test('before anything was sent, or kept again, is where it was opened', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    down(server);
    session.dispatch(answer('A'));
    await settle();
    session.close();
    const next = await again(keeping, server);
    expect(next.getState().items.q?.responses.R).toBe('A');
    next.close();
  });

  test('time has not gone backwards, though the computer’s clock was put back', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    session.close();
    down(server);
    const { place, content } = (await keeping.places.kept()) ?? {};
    await keeping.places.keep({ ...(place as Place), ahead: -3_600_000 - Date.now() }, content);
    const next = await again(keeping, server);
    expect(next.clock.now()).toBe(1_000_000);
    next.close();
  });

  test('shows what may be seen where it stands: the part that was entered last', async () => {
    const server = new FakeServer();
    const { session, timers, keeping } = page(server);
    session.dispatch(answer('A'));
    server.shows = partsOpen('r', 'two');
    server.leadsTo = stageAt('two', 'r');
    await session.goOn('end-part');
    timers.fire();
    await settle();
    session.close();
    const next = await again(keeping, down(server));
    expect(Object.keys(next.getTest().items)).toEqual(['r']);
    expect(next.getState().stage?.part).toBe('two');
    next.close();
  });

  test('a server in trouble is out of reach too; one that refuses is not', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    session.close();
    server.resume = () => Promise.reject(new ServerRefusal('error', 500));
    const next = await again(keeping, server);
    expect(next.getStatus().save).toBe('kept');
    next.close();
    server.resume = () => Promise.reject(new ServerRefusal('not-signed-in', 401));
    await expect(again(keeping, server)).rejects.toThrow('not-signed-in');
    expect(await keeping.places.kept()).not.toBeNull();
    server.resume = () => Promise.reject(new ServerRefusal('handed-in', 409));
    await expect(again(keeping, server)).rejects.toThrow('handed-in');
    expect(await keeping.places.kept()).toBeNull();
  });

  test('is not opened from here where the server had it opened and then said no more: it has given the page another name', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    session.close();
    server.content = () => Promise.reject(new TypeError('network'));
    await expect(again(keeping, server)).rejects.toThrow('network');
  });

  test('is not opened by a browser that cannot tell whether another page has it', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    session.close();
    const noLocks = () => Promise.reject(new Error('no locks'));
    await expect(again(keeping, down(server), noLocks)).rejects.toThrow('network');
  });

  test('is opened by one page only', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    session.close();
    await expect(again(keeping, down(server), () => Promise.resolve(false))).rejects.toThrow(OpenElsewhere);
  });

  test('of which something is missing is not opened as if it were whole', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    down(server);
    session.dispatch(answer('A'));
    session.dispatch(answer('B'));
    await settle();
    session.close();
    await keeping.journal.forget('page-1', 1);
    await expect(again(keeping, server)).rejects.toThrow('network');
  });
});

describe('what a computer keeps', () => {
  test('is given up when the attempt is over, or is somewhere else', async () => {
    for (const end of ['hand-in', 'stop', 'moved'] as const) {
      const server = new FakeServer();
      const { session, keeping } = page(server);
      session.dispatch(answer('A'));
      await settle();
      expect(await keeping.places.kept()).not.toBeNull();
      server.moved = end === 'moved';
      await session.flush();
      if (end === 'hand-in') await session.handIn('asked');
      if (end === 'stop') await session.stop();
      await settle();
      expect(await keeping.places.kept()).toBeNull();
      expect((await keeping.journal.kept()).size).toBe(0);
      session.close();
    }
  });

  test('stays where another page of this computer has put its own', async () => {
    const server = new FakeServer();
    const { session, keeping } = page(server);
    await settle();
    const second = await again(keeping, server);
    await settle();
    server.moved = true;
    session.dispatch(answer('A'));
    await session.flush();
    await settle();
    expect(session.getStatus().moved).toBe(true);
    expect((await keeping.places.kept())?.place.device).toBe(second.name);
    session.close();
    second.close();
  });

  test('is given up for everybody at once', async () => {
    const server = new FakeServer();
    const [one, two] = [page(server), page(server)];
    await settle();
    await forgetEveryPlace();
    expect(await one.keeping.places.kept()).toBeNull();
    expect(await two.keeping.places.kept()).toBeNull();
    one.session.close();
    two.session.close();
  });

  test('is never an old place with new numbers: where one can be neither kept nor forgotten, the journal stays whole', async () => {
    const server = new FakeServer();
    const { session, timers, keeping } = page(server);
    await settle();
    const broken = () => Promise.reject(new Error('disk full'));
    Object.assign(keeping.places, { keep: broken, forget: broken });
    session.dispatch(answer('A'));
    await session.flush();
    timers.fire();
    await settle();
    session.close();
    const next = await again(keeping, down(server));
    expect(next.getState().items.q?.responses.R).toBe('A');
    next.dispatch(answer('B'));
    server.up = true;
    await next.flush();
    expect(server.kept.get('page-1')?.get(2)).toMatchObject({ responses: { R: 'B' } });
    next.close();
  });

  test('grows no further where no place can be kept: the journal forgets what the server has', async () => {
    const server = new FakeServer();
    const { session, timers, keeping } = page(server);
    await settle();
    (keeping.places as { keep: unknown }).keep = () => Promise.reject(new Error('disk full'));
    session.dispatch(answer('A'));
    await session.flush();
    timers.fire();
    await settle();
    expect((await keeping.journal.kept()).size).toBe(0);
    expect(await keeping.places.kept()).toBeNull();
    expect(session.getStatus().placed).toBe(false);
    session.close();
  });
});

test('what of the app is kept: its own files, the pages and pictures of attempts, and no answer of the server', () => {
  const kind = (path: string) => kindOf(new URL(path, 'https://school.example'));
  expect(kind('/_next/static/chunks/a.js')).toBe('file');
  expect(kind('/api/dictionaries/en')).toBe('file');
  expect(kind('/api/pdf-files/cmaps/UniJIS-UCS2-H.bcmap')).toBe('file');
  expect(kind('/attempts/0b1c-22')).toBe('page');
  expect(kind('/api/attempts/0b1c-22/assets/pictures/a.png')).toBe('picture');
  for (const path of [
    '/',
    '/sign-in',
    '/tests/1',
    '/attempts/0b1c-22/score',
    '/attempts/0b1c-22/answers',
    '/api/attempts/0b1c-22/content',
    '/api/attempts/0b1c-22/events',
    '/api/attempts/0b1c-22/resume',
    '/service-worker.js',
  ])
    expect(kind(path)).toBeNull();
  expect(CACHES.page).not.toBe(CACHES.file);
  const of = (path: string) => isOfAttempt(new URL(path, 'https://school.example'), 'a1');
  expect(of('/attempts/a1')).toBe(true);
  expect(of('/api/attempts/a1/assets/x.png')).toBe(true);
  expect(of('/attempts/a12')).toBe(false);
  expect(of('/api/attempts/a12/assets/x.png')).toBe(false);
});
