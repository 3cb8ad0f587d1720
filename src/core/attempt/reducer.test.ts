import fc from 'fast-check';
import type { AttemptEvent, BrowserEvent } from './events';
import { compareEvents } from './events';
import { History, stateFrom } from './history';
import { reduce } from './reducer';
import { itemOf } from './state';

const MINUTE = 60_000;
const begun: AttemptEvent = { type: 'begun', device: 'server', seq: 1, at: 0, limit: 45 * MINUTE };
let seq = 0;
const answered = (
  at: number,
  value: string | null,
  how: 'edit' | 'typing' | 'moving' | 'happened' | 'undo' | 'redo' | 'start-over' = 'edit',
): BrowserEvent => {
  seq += 1;
  return { type: 'answered', device: 'd', seq, at, item: 'q1', responses: { R: value }, how };
};
const response = (events: AttemptEvent[]) => itemOf(stateFrom([begun, ...events]), 'q1').responses.R ?? null;

describe('answers', () => {
  test('the later answer wins, whichever arrives first', () => {
    expect(response([answered(1000, 'A'), answered(2000, 'B')])).toBe('B');
    expect(response([answered(2000, 'B'), answered(1000, 'A')])).toBe('B');
  });
  test('undo and redo walk through what was given', () => {
    const events = [answered(1, 'A'), answered(2, 'B'), answered(3, 'A', 'undo')];
    expect(response(events)).toBe('A');
    expect(itemOf(stateFrom([begun, ...events]), 'q1').future).toEqual([{ R: 'B' }]);
    expect(response([...events, answered(4, 'B', 'redo')])).toBe('B');
  });
  test('what happened is kept, and is no step of undo or redo', () => {
    const { past, future, responses } = itemOf(
      stateFrom([
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
    expect(itemOf(stateFrom([begun, ...typed]), 'q1').past).toEqual([{}, { R: 'kelp' }]);
  });
  test('what is written without a pause is a step of undo per word', () => {
    const typed = ['k', 'kelp', 'kelp ', 'kelp b', 'kelp beds', '<p>kelp beds</p><p>x</p>'].map((text, i) =>
      answered(i * 100, text, 'typing'),
    );
    expect(itemOf(stateFrom([begun, ...typed]), 'q1').past).toEqual([{}, { R: 'kelp ' }, { R: 'kelp beds' }]);
  });
  test('what one movement changes is one step of undo', () => {
    const dragged = [answered(0, '1'), answered(10, '2', 'moving'), answered(20, '3', 'moving')];
    expect(itemOf(stateFrom([begun, ...dragged]), 'q1')).toMatchObject({ responses: { R: '3' }, past: [{}] });
    const again = [...dragged, answered(30, '4'), answered(40, '5', 'moving')];
    expect(itemOf(stateFrom([begun, ...again]), 'q1').past).toEqual([{}, { R: '3' }]);
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
    expect(itemOf(stateFrom([begun, strike]), 'q1').struck.R).toEqual(['A']);
    expect(itemOf(stateFrom([begun, strike, answered(2, 'A')]), 'q1').struck.R).toEqual([]);
  });
});

describe('time counts only while the test is open', () => {
  test('stopping halts it, going on starts it again', () => {
    const state = stateFrom([
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

const form = {
  seed: 's',
  timeMultiplier: 1,
  parts: [{ identifier: 'p', questions: ['q1', 'q2'].map((ref) => ({ ref, source: ref, sections: [] })) }],
};
const moment = fc.integer({ min: 0, max: 50 * MINUTE });
const item = fc.constantFrom('q1', 'q2', 'not of this form');
const text = fc.constantFrom('item:q1', 'stimulus:s');

/** Everything a student can do, every type of event. */
const anyEvent: fc.Arbitrary<Unnumbered> = fc.oneof(
  fc.record({
    type: fc.constant('answered' as const),
    at: moment,
    item,
    responses: fc.dictionary(fc.constantFrom('R', 'S', '__proto__'), fc.option(fc.string()), { minKeys: 1 }),
    how: fc.constantFrom('edit', 'typing', 'moving', 'happened', 'undo', 'redo', 'start-over'),
  }),
  fc.record({ type: fc.constant('opened' as const), at: moment, item }),
  fc.record({ type: fc.constant('flagged' as const), at: moment, item, on: fc.boolean() }),
  fc.record({
    type: fc.constant('seen' as const),
    at: moment,
    item,
    units: fc.array(fc.constantFrom('a', 'b', 'c')),
  }),
  fc.record({ type: fc.constant('reminded' as const), at: moment, item }),
  fc.record({
    type: fc.constant('struck' as const),
    at: moment,
    item,
    response: fc.constantFrom('R', 'constructor'),
    choice: fc.constantFrom('A', 'B'),
    on: fc.boolean(),
  }),
  fc
    .record({
      type: fc.constant('highlighted' as const),
      at: moment,
      text,
      start: fc.integer({ min: 0, max: 20 }),
      length: fc.integer({ min: 1, max: 8 }),
      colour: fc.constantFrom('marigold', 'kelp', null),
    })
    .map(({ length, ...one }) => ({
      ...one,
      end: one.start + length,
      exact: 'the ferry leaves at nine now'.slice(one.start, one.start + length),
    })),
  fc.record({ type: fc.constant('highlights-cleared' as const), at: moment, text: fc.option(text) }),
  fc.record({
    type: fc.constant('tool-kept' as const),
    at: moment,
    tool: fc.constantFrom('line-reader', 'toString'),
    state: fc.dictionary(fc.constantFrom('on', 'count'), fc.integer()),
  }),
  fc.record({
    type: fc.constant('left' as const),
    at: moment,
    how: fc.constantFrom('hidden', 'behind', 'windowed'),
  }),
  fc.record({ type: fc.constant('returned' as const), at: moment }),
  fc.record({ type: fc.constant('battery' as const), at: moment, low: fc.boolean() }),
);
const events = fc
  .array(fc.tuple(anyEvent, fc.constantFrom('page 1', 'page 2')), { maxLength: 60 })
  .map((list) => list.map(([event, device], i) => ({ ...event, device, seq: i + 1 })));
/** What the server says of an attempt that is stopped, gone on with, and handed in. */
const said: readonly AttemptEvent[] = [
  { type: 'begun', device: 'server', seq: 1, at: 0, limit: 45 * MINUTE, form },
  { type: 'stopped', device: 'server', seq: 2, at: 10 * MINUTE, reason: 'asked' },
  { type: 'resumed', device: 'server', seq: 3, at: 15 * MINUTE, by: 'page 2' },
  { type: 'locked', device: 'server', seq: 6, at: 14 * MINUTE, items: ['q2'] },
  { type: 'unlocked', device: 'server', seq: 7, at: 18 * MINUTE, by: 'Petra' },
  { type: 'checked', device: 'server', seq: 4, at: 20 * MINUTE, item: 'q1', tries: 1, closed: true },
  { type: 'handed-in', device: 'server', seq: 5, at: 30 * MINUTE, reason: 'asked' },
];
const arriving = (list: readonly AttemptEvent[]) => {
  const history = new History();
  for (const event of list) history.add(event);
  return history.state;
};

describe('properties', () => {
  test('events of every type, shuffled, repeated and late, make the same state', () => {
    fc.assert(
      fc.property(
        events.chain((list) =>
          fc.tuple(
            fc.constant([...said, ...list]),
            fc.shuffledSubarray([...said, ...list, ...list], { minLength: said.length + 2 * list.length }),
          ),
        ),
        ([all, shuffled]) => {
          expect(arriving(shuffled)).toEqual(stateFrom(all));
        },
      ),
      { numRuns: 150 },
    );
  });
  test('a history that goes on from a kept state is the same, and says what is older than it', () => {
    fc.assert(
      fc.property(events, fc.nat(60), (list, cut) => {
        const all = [...said, ...list].sort(compareEvents);
        const whole = new History();
        const before = new History();
        all.forEach((event, i) => {
          whole.add(event);
          if (i <= cut) before.add(event);
        });
        const on = new History(before.state, before.last);
        for (const event of all.slice(cut + 1)) expect(on.add(event)).toBe(true);
        expect(on.state).toEqual(whole.state);
        const [first] = all;
        if (first && cut > 0) expect(on.add(first)).toBe(false);
      }),
    );
  });
  test('what comes while it is stopped, or after hand-in, changes nothing', () => {
    fc.assert(
      fc.property(events, (list) => {
        const inTime = list.filter(({ at }) => at <= 30 * MINUTE && (at <= 10 * MINUTE || at >= 15 * MINUTE));
        expect(stateFrom([...said, ...list])).toEqual(stateFrom([...said, ...inTime]));
      }),
    );
  });
  test('the state survives being written as JSON', () => {
    fc.assert(
      fc.property(events, (list) => {
        const state = stateFrom([...said, ...list]);
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
      fc.property(events, events, (list, more) => {
        const before = stateFrom([...said.slice(0, 1), ...list]);
        const copy = structuredClone(before);
        for (const event of more) reduce(before, event);
        expect(before).toEqual(copy);
      }),
    );
  });
});
