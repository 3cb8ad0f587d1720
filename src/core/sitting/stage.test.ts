/** @jest-environment node */
import fc from 'fast-check';
import { hasEnded, innerClocks, nextToEnd, sharedTime } from '../attempt/clocks';
import { neighbour } from '../attempt/overview';
import { compareEvents, type AttemptEvent, type BrowserAction, type ServerAction } from '../attempt/events';
import { stateFrom } from '../attempt/history';
import { may } from '../attempt/may';
import { SittingRun, sittingFrom } from '../attempt/sitting';
import type { AttemptState } from '../attempt/state';
import { deliverTest } from '../deliver/deliver';
import type { DeliveredTest } from '../item/delivered';
import { forwardPlace, openPartOf } from '../item/delivered';
import { readPackage } from '../qti/package';
import { filesFrom } from '../qti/testItem';
import { drawForm } from './form';
import { Plan } from './plan';
import { Sitting } from './sitting';
import { hasInnerClocks, holdsHandIn, isStaged, showingOf, stageOf } from './stage';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const ITEM = `<qti-assessment-item ${NS} identifier="i" title="i"><qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration><qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/><qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="1"><qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice></qti-choice-interaction></qti-item-body><qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/></qti-assessment-item>`;
const limit = (seconds: number, more = '') => `<qti-time-limits max-time="${seconds}" ${more}/>`;
const ref = (name: string, inside = '') =>
  `<qti-assessment-item-ref identifier="${name}" href="i.xml">${inside}</qti-assessment-item-ref>`;
const section = (name: string, inside: string) =>
  `<qti-assessment-section identifier="${name}" title="${name}" visible="true">${inside}</qti-assessment-section>`;
const part = (name: string, inside: string, mode = 'nonlinear') =>
  `<qti-test-part identifier="${name}" navigation-mode="${mode}" submission-mode="${mode === 'linear' ? 'individual' : 'simultaneous'}">${inside}</qti-test-part>`;
function contentOf(inside: string) {
  const { tests, items, problems } = readPackage(
    filesFrom({
      'imsmanifest.xml':
        '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="t">${inside}</qti-assessment-test>`,
      'i.xml': ITEM,
    }),
  );
  const [test] = tests;
  if (!test) throw new Error(JSON.stringify(problems));
  return { test, items, stimuli: new Map() };
}

describe('which tests have stages', () => {
  const ab = section('s', ref('a') + ref('b'));
  test.each([
    ['one open part', part('p', ab), [false, false, false]],
    ['one open part with a limit of its own', part('p', limit(9) + ab), [false, true, false]],
    ['a limit of the test', limit(9) + part('p', ab), [false, false, false]],
    ['two parts', part('p', ab) + part('q', section('r', ref('c'))), [true, false, false]],
    ['a part without a way back', part('p', ab, 'linear'), [true, false, false]],
    ['a limit of a section', part('p', section('s', limit(9) + ref('a'))), [true, true, false]],
    ['a limit of a question', part('p', section('s', ref('a', limit(9)))), [true, true, false]],
    [
      'an answer that must be given',
      part('p', section('s', ref('a', '<qti-item-session-control allow-skipping="false"/>'))),
      [false, false, true],
    ],
    ['a least time', '<qti-time-limits min-time="9"/>' + part('p', ab), [false, false, true]],
  ])('%s', (_what, inside, expected) => {
    const content = contentOf(inside);
    const plan = new Plan(content, drawForm(content.test, 'seed'));
    expect([isStaged(plan), hasInnerClocks(plan), holdsHandIn(plan)]).toEqual(expected);
  });
});

/** A server and a browser in one, with a clock that only goes when told. */
class Room {
  now = 1_000_000;
  readonly events: AttemptEvent[] = [];
  private readonly seqs = { server: 0, page: 0 };
  constructor(
    readonly content: ReturnType<typeof contentOf>,
    readonly form = drawForm(content.test, 'seed'),
  ) {
    const maximum = content.test.timeLimits.maximum;
    const stage = stageOf(Sitting.begin(content, form));
    this.say({ type: 'begun', limit: maximum === null ? null : maximum * 1000, form, stage });
  }
  private say(action: ServerAction, at = this.now) {
    this.events.push({ ...action, device: 'server', seq: (this.seqs.server += 1), at });
  }
  get state(): AttemptState {
    return stateFrom(this.events);
  }
  get sitting(): Sitting {
    return sittingFrom(this.content, 'seed', [...this.events].sort(compareEvents), this.now);
  }
  /** Says what clocks have ended, each at its moment, as the server does. */
  catchUp(): Sitting {
    const events = [...this.events].sort(compareEvents);
    const { sitting, unsaid } = new SittingRun(this.content, 'seed', events).at(this.now);
    for (const { at, stage } of unsaid) this.say({ type: 'went-on', by: 'time', stage }, at);
    return sitting;
  }
  tick(ms: number) {
    this.now += ms;
    this.catchUp();
  }
  page(action: BrowserAction) {
    this.tick(1);
    if (may(this.state, action, this.now) !== null) return;
    this.events.push({ ...action, device: 'page', seq: (this.seqs.page += 1), at: this.now });
  }
  add(ms: number) {
    this.tick(1);
    this.say({ type: 'time-added', ms, by: 'Petra' });
  }
  move(move: 'next' | 'end-part'): string | null {
    this.now += 1;
    const sitting = this.catchUp();
    const open = sitting.plan.parts[sitting.state.part]?.part;
    if (sitting.state.looking !== null || (move === 'next' && open?.navigation !== 'linear'))
      return 'not asked';
    const taken = sitting.take({ do: move });
    if (!taken.ok) return taken.refused;
    this.say({ type: 'went-on', by: move, stage: stageOf(sitting) });
    return null;
  }
  get delivered(): DeliveredTest {
    const { sitting } = this;
    return deliverTest(this.content, this.form, { showing: showingOf(sitting) });
  }
}

const WHOLE = contentOf(
  part(
    'p',
    limit(120) +
      section('s', limit(45) + ref('a') + ref('b', limit(20))) +
      section('t', ref('c') + ref('d', limit(30, 'allow-late-submission="true"'))),
  ) +
    part('q', section('u', limit(40) + ref('e', limit(15)) + ref('f') + ref('g')), 'linear') +
    part('r', section('v', ref('h'))),
);
const REFS = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
const anything = fc.array(
  fc.oneof(
    fc.record({ kind: fc.constant('wait' as const), ms: fc.integer({ min: 0, max: 30_000 }) }),
    fc.record({ kind: fc.constantFrom('open' as const, 'answer' as const), ref: fc.constantFrom(...REFS) }),
    fc.record({ kind: fc.constantFrom('next' as const, 'end-part' as const) }),
    fc.record({ kind: fc.constant('add' as const), ms: fc.integer({ min: 1, max: 30_000 }) }),
  ),
  { maxLength: 25 },
);

describe('what the browser is told of a sitting', () => {
  test('whatever happens, its clocks are those of the rules, it takes just the answers they take, and gets nothing else', () => {
    fc.assert(
      fc.property(anything, (steps) => {
        const room = new Room(WHOLE);
        // One that goes on as events come stands where one that begins anew stands.
        const going = new SittingRun(WHOLE, 'seed', room.events);
        let heard = room.events.length;
        for (const step of steps) {
          if (step.kind === 'wait') room.tick(step.ms);
          else if (step.kind === 'open') room.page({ type: 'opened', item: step.ref });
          else if (step.kind === 'answer')
            room.page({ type: 'answered', item: step.ref, responses: { RESPONSE: 'A' }, how: 'edit' });
          else if (step.kind === 'add') room.add(step.ms);
          else room.move(step.kind);
          const { sitting, state, delivered } = room;
          const news = room.events.slice(heard).sort(compareEvents);
          heard = room.events.length;
          expect(going.add(news)).toBe(true);
          expect(going.at(room.now).sitting.state).toEqual(sitting.state);
          const ends = innerClocks(delivered, state, room.now).filter(({ late }) => !late);
          const soonest = ends.length === 0 ? null : Math.min(...ends.map(({ left }) => left));
          expect(soonest).toBe(sitting.untilNextEnd());
          expect(hasEnded(delivered, state, room.now)).toBe(false);
          for (const one of REFS) {
            const deed = { type: 'answered', item: one, responses: {}, how: 'edit' } as const;
            const byRules = sitting.may({ do: 'answer', ref: one, responses: {}, admitted: true });
            expect([one, may(state, deed, room.now) === null]).toEqual([one, byRules === null]);
            const toBeSeen = state.stage?.open.includes(one) || state.stage?.lookable.includes(one);
            if (delivered.items[one] && !toBeSeen)
              expect(sitting.state.questions.get(one)?.ended ?? 'time').toBe('time');
          }
          if (state.current !== null) expect(Object.keys(delivered.items)).toContain(state.current);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('of a part without a way back only its open question, with how many are behind and ahead', () => {
    const room = new Room(WHOLE);
    expect(room.move('end-part')).toBeNull();
    room.page({ type: 'answered', item: 'e', responses: { RESPONSE: 'A' }, how: 'edit' });
    expect(room.move('next')).toBeNull();
    const { delivered } = room;
    const open = openPartOf(delivered);
    expect(Object.keys(delivered.items)).toEqual(['a', 'b', 'c', 'd', 'f']);
    expect(delivered.parts.map(({ status, count }) => [status, count])).toEqual([
      ['ended', 4],
      ['open', 3],
      ['ahead', 1],
    ]);
    expect(open && forwardPlace(delivered, open)).toEqual({ behind: 1, ahead: 1, from: 5 });
    expect(delivered.items.f?.number).toBe(6);
    expect(delivered.count).toBe(8);
  });

  test('the clock that ends first is shown, one that takes late answers only until its end', () => {
    const room = new Room(WHOLE);
    room.page({ type: 'opened', item: 'd' });
    expect(nextToEnd(room.delivered, room.state, room.now)).toMatchObject({
      kind: 'item',
      left: 30_000,
      late: true,
    });
    room.tick(31_000);
    expect(nextToEnd(room.delivered, room.state, room.now)).toMatchObject({ kind: 'part', left: 88_999 });
    expect(room.state.stage?.open).toContain('d');
  });

  test('whether a part comes for certain is told, and a rule that leads past it is not', () => {
    const truth = '<qti-base-value base-type="boolean">true</qti-base-value>';
    const two = (rule: string, inPart = '') =>
      contentOf(
        part('p', section('s', ref('a', rule)), 'linear') + part('q', `${inPart}${section('r', ref('b'))}`),
      );
    const certain = (content: ReturnType<typeof contentOf>) =>
      deliverTest(content, drawForm(content.test, 'seed')).parts.map(({ isCertain }) => isCertain);
    expect(certain(two(''))).toEqual([true, true]);
    expect(certain(two('', `<qti-pre-condition>${truth}</qti-pre-condition>`))).toEqual([true, false]);
    expect(certain(two(`<qti-branch-rule target="EXIT_TEST">${truth}</qti-branch-rule>`))).toEqual([
      false,
      false,
    ]);
    expect(certain(two(`<qti-branch-rule target="EXIT_SECTION">${truth}</qti-branch-rule>`))).toEqual([
      true,
      true,
    ]);
  });

  test('an attempt begun before parts were kept apart goes on as one list', () => {
    const drawn = drawForm(WHOLE.test, 'seed');
    const [first] = drawn.parts;
    if (!first) throw new Error('no part');
    const form = {
      ...drawn,
      parts: [{ ...first, questions: drawn.parts.flatMap(({ questions }) => questions) }],
    };
    const { parts, items } = deliverTest(WHOLE, form, { showing: showingOf(Sitting.begin(WHOLE, form)) });
    expect(Object.keys(items)).toEqual(REFS);
    expect(parts.flatMap(({ sections }) => sections.flatMap((one) => one.items))).toEqual(REFS);
  });

  test('time is shared over the whole test where it has a limit, else over the open part', () => {
    const room = new Room(WHOLE);
    room.page({ type: 'opened', item: 'a' });
    room.page({ type: 'answered', item: 'a', responses: { RESPONSE: 'A' }, how: 'edit' });
    room.tick(9_998);
    const shared = sharedTime(room.delivered, room.state, room.now);
    expect(shared).toEqual({ kind: 'part', limit: 120_000, used: 10_000, questions: 4, done: 1 });
    const timed = { ...room.state, timing: { limit: 600_000, used: 0, runningSince: room.now - 60_000 } };
    expect(sharedTime(room.delivered, timed, room.now)).toMatchObject({
      kind: 'test',
      used: 60_000,
      questions: 8,
    });
    room.move('end-part');
    room.move('end-part');
    // The last part has no limit.
    expect(sharedTime(room.delivered, room.state, room.now)).toBeNull();
  });

  test('back stays in the part, next leads from one that has ended to the open one', () => {
    const room = new Room(WHOLE);
    room.move('end-part');
    const { delivered } = room;
    expect(neighbour(delivered, 'd', 1)).toBe('e');
    expect(neighbour(delivered, 'e', -1)).toBeNull();
    expect(neighbour(delivered, 'b', -1)).toBe('a');
  });

  test('after handing in everything that was in, and no clock', () => {
    const sitting = Sitting.begin(WHOLE, drawForm(WHOLE.test, 'seed'));
    sitting.take({ do: 'hand-in' });
    const { refs, clocks, parts } = showingOf(sitting);
    expect([refs.size, clocks, parts.every(({ status }) => status === 'ended')]).toEqual([8, [], true]);
    expect(stageOf(sitting)).toMatchObject({ part: null, at: null, open: [] });
  });
});

describe('time that whoever supervises adds', () => {
  const content = contentOf(limit(9) + part('p', limit(20) + section('s', ref('a') + ref('b'))));
  const begin = () => Sitting.begin(content, drawForm(content.test, 'x'));
  test('is of every clock that could end what the student is at, running or stopped', () => {
    const sitting = begin();
    expect(sitting.untilNextEnd()).toBe(9_000);
    sitting.take({ do: 'add-time', ms: 5_000 });
    expect(sitting.untilNextEnd()).toBe(14_000);
    sitting.wait(10_000);
    expect(sitting.take({ do: 'answer', ref: 'a', responses: { RESPONSE: 'A' } })).toMatchObject({
      ok: true,
    });
    sitting.take({ do: 'stop' });
    sitting.take({ do: 'add-time', ms: 60_000 });
    sitting.take({ do: 'resume' });
    // The test has 74 seconds now and its part 85.
    expect(sitting.untilNextEnd()).toBe(64_000);
    sitting.wait(64_000);
    expect(sitting.state.phase).toBe('handed-in');
  });
  test('is of the section and the question on the screen, not of others, and brings back nothing that has ended', () => {
    const inside = contentOf(
      part('p', section('s', limit(30) + ref('a', limit(10)) + ref('b', limit(10))) + section('t', ref('c'))),
    );
    const sitting = Sitting.begin(inside, drawForm(inside.test, 'x'));
    expect(sitting.isTimed).toBe(true);
    sitting.take({ do: 'add-time', ms: 5_000 });
    sitting.wait(14_000);
    expect(sitting.may({ do: 'answer', ref: 'a', responses: {}, admitted: true })).toBeNull();
    sitting.take({ do: 'go', ref: 'b' });
    // The other question has its own ten seconds, the section 35 in all.
    sitting.wait(10_000);
    expect(sitting.may({ do: 'answer', ref: 'b', responses: {}, admitted: true })).toBe('time-over');
    sitting.take({ do: 'go', ref: 'b' });
    sitting.take({ do: 'add-time', ms: 60_000 });
    expect(sitting.may({ do: 'answer', ref: 'b', responses: {}, admitted: true })).toBe('time-over');
    sitting.take({ do: 'go', ref: 'c' });
    expect([sitting.isTimed, sitting.untilNextEnd()]).toEqual([false, null]);
  });
  test('changes nothing of what is over', () => {
    const sitting = begin();
    sitting.wait(9_000);
    expect(sitting.take({ do: 'add-time', ms: 5_000 })).toMatchObject({ ok: false, refused: 'handed-in' });
  });
  test('the browser counts as the engine does', () => {
    const events: AttemptEvent[] = [
      { type: 'begun', device: 'server', seq: 1, at: 0, limit: 9_000, form: drawForm(content.test, 'x') },
      { type: 'time-added', device: 'server', seq: 2, at: 1_000, ms: 5_000, by: 'Petra' },
    ];
    const state = stateFrom(events);
    const test = deliverTest(content, drawForm(content.test, 'x'));
    for (const now of [1_000, 8_000, 12_000])
      expect(nextToEnd(test, state, now)?.left).toBe(sittingFrom(content, 'x', events, now).untilNextEnd());
    // In any order.
    expect(stateFrom([...events].reverse())).toEqual(state);
  });
});
