import { act, renderHook } from '@testing-library/react';
import { NEW_ATTEMPT } from '@/core/attempt/state';
import { NO_PLACES } from '../offline/places';
import { ServerClock } from './clock';
import { AttemptSession } from './session';
import { CONTENT, FakeServer } from './testServer';
import { useTimeUp } from './useTimeUp';

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

/** An attempt with a limit of ten seconds, on a computer whose clock says that so much of it has gone. */
function attempt(server: FakeServer, gone: number) {
  const timing = { ...NEW_ATTEMPT.timing, limit: 10_000, runningSince: 1_000_000 };
  const nothing = {
    append: () => Promise.resolve(),
    forget: () => Promise.resolve(),
    kept: () => Promise.resolve(new Map()),
  };
  return new AttemptSession(
    { device: 'page-1', state: { ...NEW_ATTEMPT, phase: 'running', timing }, cursor: 0 },
    CONTENT,
    new ServerClock(1_000_000 + gone, () => 0),
    { journal: nothing, places: NO_PLACES },
    server,
    { set: () => null, clear: () => undefined },
  );
}
const aSecond = () => act(() => jest.advanceTimersByTimeAsync(1_000));

test('at the end the test is handed in by itself', async () => {
  const server = new FakeServer();
  const handedIn = jest.fn();
  const session = attempt(server, 10_001);
  const { result } = renderHook(() => useTimeUp(session, handedIn));
  expect(result.current).toBeNull();
  await aSecond();
  expect(result.current).toBe('closing');
  expect(handedIn).toHaveBeenCalledTimes(1);
});

test('without network it waits; when the server says that there is time left, the test is on the screen again', async () => {
  const server = new FakeServer();
  server.up = false;
  const handedIn = jest.fn();
  const session = attempt(server, 3_600_000);
  const { result } = renderHook(() => useTimeUp(session, handedIn));
  await aSecond();
  expect(result.current).toBe('waiting');
  session.clock.correct(1_002_000, 0);
  await aSecond();
  expect(result.current).toBeNull();
  expect(handedIn).not.toHaveBeenCalled();
});
