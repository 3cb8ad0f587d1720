import fc from 'fast-check';
import type { AttemptEvent, BrowserEvent } from './events';
import { reduce, replay } from './reducer';
import { itemOf, NEW_ATTEMPT } from './state';

const MINUTE = 60_000;
const begun: AttemptEvent = { type: 'begun', device: 'server', seq: 1, at: 0, limit: 45 * MINUTE };
let seq = 0;
const answered = (
  at: number,
  value: string | null,
  how: 'edit' | 'typing' | 'happened' | 'undo' | 'redo' | 'start-over' = 'edit',
): BrowserEvent => {
  seq += 1;
  return { type: 'answered', device: 'd', seq, at, item: 'q1', responses: { R: value }, how };
};
const response = (events: AttemptEvent[]) => itemOf(replay([begun, ...events]), 'q1').responses.R ?? null;

describe('answers', () => {
  test('the later answer wins, whichever arrives first', () => {
    expect(response([answered(1000, 'A'), answered(2000, 'B')])).toBe('B');
    expect(response([answered(2000, 'B'), answered(1000, 'A')])).toBe('B');
  });
  test('undo and redo walk through what was given', () => {
    const events = [answered(1, 'A'), answered(2, 'B'), answered(3, 'A', 'undo')];
    expect(response(events)).toBe('A');
    expect(itemOf(replay([begun, ...events]), 'q1').future).toEqual([{ R: 'B' }]);
    expect(response([...events, answered(4, 'B', 'redo')])).toBe('B');
  });
  test('what happened is kept, and is no step of undo or redo', () => {
    const { past, future, responses } = itemOf(
      replay([
        begun,
        answered(1, 'A'),
        answered(2, 'B'),
        answered(3, 'A', 'undo'),
        answered(4, '1', 'happened'),
      ]),
      'q1',
    );
    expect([responses.R, past, future]).toEqual(['1', [{}], [{ R: 'B' }]]);
  });
  test('a word typed is one step of undo, a pause begins another', () => {
    const typed = [
      answered(0, 'k', 'typing'),
      answered(300, 'ke', 'typing'),
      answered(600, 'kelp', 'typing'),
      answered(5000, 'kelp b', 'typing'),
    ];
    expect(itemOf(replay([begun, ...typed]), 'q1').past).toEqual([{}, { R: 'kelp' }]);
  });
  test('an answer after the time is over changes nothing; one that was on its way still counts', () => {
    expect(response([answered(45 * MINUTE + 1000, 'A')])).toBe('A');
    expect(response([answered(45 * MINUTE + 2001, 'A')])).toBeNull();
  });
  test('nothing changes once it is handed in', () => {
    const handedIn: AttemptEvent = { type: 'handed-in', device: 'server', seq: 2, at: 10, reason: 'asked' };
    expect(response([answered(5, 'A'), handedIn, answered(11, 'B')])).toBe('A');
  });
  test('choosing a struck choice brings it back', () => {
    const strike: AttemptEvent = {
      type: 'struck',
      device: 'd',
      seq: 1,
      at: 1,
      item: 'q1',
      response: 'R',
      choice: 'A',
      on: true,
    };
    expect(itemOf(replay([begun, strike]), 'q1').struck.R).toEqual(['A']);
    expect(itemOf(replay([begun, strike, answered(2, 'A')]), 'q1').struck.R).toEqual([]);
  });
});

describe('time counts only while the test is open', () => {
  test('stopping halts it, going on starts it again', () => {
    const state = replay([
      begun,
      { type: 'stopped', device: 'server', seq: 2, at: 10 * MINUTE, reason: 'asked' },
      { type: 'resumed', device: 'server', seq: 3, at: 100 * MINUTE, by: 'd' },
    ]);
    expect(state.timing).toEqual({ limit: 45 * MINUTE, used: 10 * MINUTE, runningSince: 100 * MINUTE });
  });
});

type Unnumbered = BrowserEvent extends infer E
  ? E extends BrowserEvent
    ? Omit<E, 'device' | 'seq'>
    : never
  : never;

/** Any sequence of things a student can do. */
const anyEvent: fc.Arbitrary<Unnumbered> = fc
  .tuple(
    fc.integer({ min: 0, max: 40 * MINUTE }),
    fc.constantFrom('q1', 'q2', 'q3'),
    fc.oneof(
      fc.record({
        type: fc.constant('answered' as const),
        responses: fc.dictionary(fc.constantFrom('R', 'S'), fc.option(fc.string()), { minKeys: 1 }),
        how: fc.constantFrom('edit' as const, 'typing' as const, 'undo' as const, 'redo' as const),
      }),
      fc.record({ type: fc.constant('opened' as const) }),
      fc.record({ type: fc.constant('flagged' as const), on: fc.boolean() }),
      fc.record({
        type: fc.constant('struck' as const),
        response: fc.constant('R'),
        choice: fc.constantFrom('A', 'B'),
        on: fc.boolean(),
      }),
      fc.record({ type: fc.constant('seen' as const), units: fc.array(fc.constantFrom('a', 'b', 'c')) }),
    ),
  )
  .map(([at, item, event]) => ({ ...event, at, item }));

const numbered = (events: Unnumbered[]) => events.map((event, i) => ({ ...event, device: 'd', seq: i + 1 }));

describe('properties', () => {
  test('replaying all events gives the state again, whatever the batches were', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 60 }), fc.integer({ min: 1, max: 20 }), (raw, size) => {
        const events: AttemptEvent[] = [begun, ...numbered(raw)];
        let state = NEW_ATTEMPT;
        for (let start = 0; start < events.length; start += size)
          state = replay(events.slice(start, start + size), state);
        expect(state).toEqual(replay(events));
      }),
    );
  });
  test('the state survives being written as JSON', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 40 }), (raw) => {
        const state = replay([begun, ...numbered(raw)]);
        expect(JSON.parse(JSON.stringify(state))).toEqual(state);
      }),
    );
  });
  test('the last answer by time is the one that stands, in any order of arrival', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 1_000_000 }), { minLength: 1, maxLength: 12 }),
        (times) => {
          const arrived = times.map((at) => answered(at, String(at)));
          expect(response(arrived)).toBe(String(Math.max(...times)));
        },
      ),
    );
  });
  test('the reducer never changes the state it was given', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 30 }), anyEvent, (raw, last) => {
        const before = replay([begun, ...numbered(raw)]);
        const copy = structuredClone(before);
        reduce(before, { ...last, device: 'd', seq: 99 });
        expect(before).toEqual(copy);
      }),
    );
  });
});
