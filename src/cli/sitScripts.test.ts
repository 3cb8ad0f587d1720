import { readPackage } from '@/core/qti/package';
import { filesFrom } from '@/core/qti/testItem';
import { BadScript, script, takeScript, type Taken } from './sitScripts';

/** The rules of a sitting, one by one (sitting.md, "Rules" and "Settled"; QTI 3.0 information model, from memory). */
const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const TEMPLATE =
  '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>';
/** A choice of A (right), B and C, worth one point, with modal feedback when it is right. */
const item = (
  identifier: string,
  more = '',
) => `<qti-assessment-item ${NS} identifier="${identifier}" title="t" ${more}>
  <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration>
  <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float" normal-maximum="1"/>
  <qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="1">
    ${['A', 'B', 'C'].map((one) => `<qti-simple-choice identifier="${one}">${one}</qti-simple-choice>`).join('')}
  </qti-choice-interaction></qti-item-body>${TEMPLATE}
  <qti-modal-feedback outcome-identifier="SCORE" show-hide="show" identifier="1" title="Right"><p>yes</p></qti-modal-feedback>
</qti-assessment-item>`;
/** A number box: partial with text that is no number. */
const NUMBER = `<qti-assessment-item ${NS} identifier="num" title="t">
  <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="float"><qti-correct-response><qti-value>4</qti-value></qti-correct-response></qti-response-declaration>
  <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>
  <qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>${TEMPLATE}</qti-assessment-item>`;
/** Several of three, two at most. */
const SEVERAL = `<qti-assessment-item ${NS} identifier="sev" title="t">
  <qti-response-declaration identifier="RESPONSE" cardinality="multiple" base-type="identifier"><qti-correct-response><qti-value>A</qti-value><qti-value>B</qti-value></qti-correct-response></qti-response-declaration>
  <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>
  <qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="2" min-choices="2">
    ${['A', 'B', 'C'].map((one) => `<qti-simple-choice identifier="${one}">${one}</qti-simple-choice>`).join('')}
  </qti-choice-interaction></qti-item-body>${TEMPLATE}</qti-assessment-item>`;
const NAMES = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];

const ref = (identifier: string, inside = '', attributes = '', file = identifier) =>
  `<qti-assessment-item-ref identifier="${identifier}" href="${file}.xml" ${attributes}>${inside}</qti-assessment-item-ref>`;
const refs = (...names: string[]) => names.map((one) => ref(one)).join('');
const section = (identifier: string, inside: string, attributes = 'visible="true"') =>
  `<qti-assessment-section identifier="${identifier}" title="${identifier}" ${attributes}>${inside}</qti-assessment-section>`;
type Mode = 'linear' | 'nonlinear';
const part = (
  identifier: string,
  navigation: Mode,
  submission: 'individual' | 'simultaneous',
  inside: string,
) =>
  `<qti-test-part identifier="${identifier}" navigation-mode="${navigation}" submission-mode="${submission}">${inside}</qti-test-part>`;
const control = (attributes: string) => `<qti-item-session-control ${attributes}/>`;
const limits = (attributes: string) => `<qti-time-limits ${attributes}/>`;
const NUMBER_OUTCOME = '<qti-outcome-declaration identifier="TOTAL" cardinality="single" base-type="float"/>';
const SUM =
  '<qti-outcome-processing><qti-set-outcome-value identifier="TOTAL"><qti-sum><qti-test-variables variable-identifier="SCORE"/></qti-sum></qti-set-outcome-value></qti-outcome-processing>';
const totalAtLeast = (points: number) =>
  `<qti-gte><qti-variable identifier="TOTAL"/><qti-base-value base-type="float">${points}</qti-base-value></qti-gte>`;
const right = (name: string) =>
  `<qti-match><qti-variable identifier="${name}.RESPONSE"/><qti-base-value base-type="identifier">A</qti-base-value></qti-match>`;
const branch = (target: string, expression: string) =>
  `<qti-branch-rule target="${target}">${expression}</qti-branch-rule>`;
const only = (expression: string) => `<qti-pre-condition>${expression}</qti-pre-condition>`;
const ALWAYS = '<qti-base-value base-type="boolean">true</qti-base-value>';
const NEVER = '<qti-base-value base-type="boolean">false</qti-base-value>';

const read = (inside: string, rules = SUM) =>
  readPackage(
    filesFrom({
      'imsmanifest.xml':
        '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Tides">${NUMBER_OUTCOME}${inside}${rules}</qti-assessment-test>`,
      ...Object.fromEntries(NAMES.map((one) => [`${one}.xml`, item(one)])),
      'num.xml': NUMBER,
      'sev.xml': SEVERAL,
    }),
  );
type Steps = readonly Record<string, unknown>[];
function take(inside: string, steps: Steps, more: Record<string, unknown> = {}, rules = SUM): Taken {
  const content = read(inside, rules);
  const errors = content.problems.filter(({ severity }) => severity === 'error');
  expect(errors.map(({ code, message }) => `${code}: ${message}`)).toEqual([]);
  return takeScript(content, script.parse({ name: 'x', steps, ...more }));
}
/** Each step in short: where one is after it, or why not. */
const short = ({ steps }: Taken) => steps.map((one) => (one.ok ? one.at : `!${one.refused}`));
const answer = (name: string, value: unknown = 'A') => ({ answer: name, responses: { RESPONSE: value } });
const go = (name: string) => ({ go: name });
const check = (name: string) => ({ check: name });
const wait = (seconds: number) => ({ wait: seconds });
const [next, back, endPart, stop, resume, handIn] = [
  { next: true },
  { back: true },
  { endPart: true },
  { stop: true },
  { resume: true },
  { handIn: true },
];
const free = (inside: string) => part('P', 'nonlinear', 'simultaneous', inside);
const line = (inside: string) => part('P', 'linear', 'individual', inside);

describe('moving', () => {
  const two = part('P1', 'nonlinear', 'simultaneous', section('S', refs('a', 'b')) + section('T', refs('c')));
  const then = part('P2', 'linear', 'simultaneous', section('U', refs('d', 'e', 'f')));
  test.each<[string, Steps, unknown[]]>([
    [
      'any question in any order, over sections',
      [go('c'), back, back, back, next, next, next],
      ['c', 'b', 'a', '!first', 'b', 'c', '!last'],
    ],
    ['to the question on the screen', [go('a')], ['a']],
    ['not to a later part, nor to what is not there', [go('d'), go('nobody')], ['!not-shown', '!not-shown']],
    [
      'in order and no way back in a linear part',
      [endPart, next, back, go('d'), go('f'), go('e'), next, next],
      ['d', 'e', '!no-way-back', '!no-way-back', '!no-way-ahead', 'e', 'f', null],
    ],
    ['to the very next of a linear part is no way ahead either', [endPart, go('e')], ['d', '!no-way-ahead']],
    [
      'an ended part may be looked at and not answered',
      [endPart, go('b'), answer('b'), go('d'), next],
      ['d', 'b', '!closed', 'd', 'e'],
    ],
    [
      'after the last part only handing in is left',
      [endPart, endPart, go('a'), next, answer('a'), check('a'), endPart, handIn, go('a')],
      ['d', null, '!closed', '!closed', '!closed', '!closed', '!closed', null, '!handed-in'],
    ],
    [
      'a stopped test shows nothing and takes nothing',
      [stop, go('b'), answer('a'), handIn, stop, resume, resume],
      [null, '!stopped', '!stopped', '!stopped', '!stopped', 'a', '!not-stopped'],
    ],
  ])('%s', (_name, steps, expected) => {
    expect(short(take(two + then, steps))).toEqual(expected);
  });

  test('an answer needs the screen in a linear part only', () => {
    const nonlinear = take(free(section('S', refs('a', 'b'))), [answer('b'), answer('c')]);
    expect(short(nonlinear)).toEqual(['a', '!not-shown']);
    expect(nonlinear.route).toEqual(['a', 'b']);
    expect(
      short(take(line(section('S', refs('a', 'b'))), [answer('b'), next, answer('a'), answer('b')])),
    ).toEqual(['!not-shown', 'b', '!closed', 'b']);
  });

  test('without review an ended part is not looked at', () => {
    const first = part(
      'P1',
      'nonlinear',
      'simultaneous',
      control('allow-review="false"') + section('S', refs('a')),
    );
    expect(
      short(
        take(first + part('P2', 'nonlinear', 'simultaneous', section('T', refs('b'))), [endPart, go('a')]),
      ),
    ).toEqual(['b', '!closed']);
  });
});

describe('answers', () => {
  test.each<[string, string, unknown, boolean]>([
    ['something not offered', 'a', 'Z', false],
    ['one value where several may be', 'sev', 'A', true],
    ['more than the maximum', 'sev', ['A', 'B', 'C'], false],
    ['several where one is wanted', 'a', ['A', 'B'], false],
    ['text in a number box', 'num', 'four', true],
    ['nothing', 'a', null, true],
  ])('%s', (_name, which, value, taken) => {
    const [step] = take(free(section('S', refs('a', 'num', 'sev'))), [answer(which, value)]).steps;
    expect(step?.ok).toBe(taken);
    if (!taken) expect(step).toMatchObject({ refused: 'unreadable' });
  });
  test('what cannot be leaves the earlier answer, whole; a response the question has not is one such', () => {
    const { items } = take(free(section('S', refs('a'))), [
      answer('a'),
      { answer: 'a', responses: { RESPONSE: 'B', OTHER: 'x' } },
      handIn,
    ]);
    expect(items.a?.SCORE).toBe(1);
  });
  test('null takes an answer back', () => {
    expect(take(free(section('S', refs('a'))), [answer('a'), answer('a', null), handIn]).items.a?.SCORE).toBe(
      0,
    );
  });
});

describe('attempts and scores', () => {
  const three = section('S', control('max-attempts="2" show-feedback="true"') + refs('a', 'b'));
  test('simultaneous is scored when the part ends, individual when it is checked or left', () => {
    const late = take(free(section('S', refs('a', 'b'))), [answer('a'), next]);
    expect([late.items, late.outcomes.TOTAL]).toEqual([{}, 0]);
    const soon = take(line(section('S', refs('a', 'b'))), [answer('a'), next]);
    expect([Object.keys(soon.items), soon.outcomes.TOTAL]).toEqual([['a'], 1]);
  });
  test('checks are attempts, as many as allowed; feedback is that of the question just scored', () => {
    const taken = take(part('P', 'nonlinear', 'individual', three), [
      answer('a', 'B'),
      check('a'),
      answer('a'),
      check('a'),
      answer('a', 'C'),
      check('a'),
      handIn,
    ]);
    expect(short(taken)).toEqual(['a', 'a', 'a', 'a', '!no-more-attempts', '!no-more-attempts', null]);
    expect(taken.steps.map((one) => (one.ok ? one.feedback : []))).toEqual([[], [], [], ['1'], [], [], []]);
    expect(taken.items.a?.SCORE).toBe(1);
  });
  test('a check without an answer uses an attempt; in a simultaneous part there is none', () => {
    expect(
      short(take(part('P', 'nonlinear', 'individual', section('S', refs('a'))), [check('a'), answer('a')])),
    ).toEqual(['a', '!no-more-attempts']);
    expect(short(take(free(section('S', refs('a'))), [answer('a'), check('a')]))).toEqual([
      'a',
      '!no-more-attempts',
    ]);
  });
  test('what was never checked, or changed since, is scored when the part ends while an attempt is left', () => {
    const taken = take(part('P', 'nonlinear', 'individual', three), [
      answer('a', 'B'),
      check('a'),
      answer('a'),
      answer('b'),
      handIn,
    ]);
    expect([taken.items.a?.SCORE, taken.items.b?.SCORE, taken.outcomes.TOTAL]).toEqual([1, 1, 2]);
  });
  test('linear next shows the feedback of the question left; without show-feedback none is seen', () => {
    const shown = take(line(section('S', control('show-feedback="true"') + refs('a', 'b'))), [
      answer('a'),
      next,
    ]);
    expect(shown.steps[1]).toMatchObject({ at: 'b', feedback: ['1'] });
    const hidden = take(line(section('S', refs('a', 'b'))), [answer('a'), next]);
    expect(hidden.steps[1]).toMatchObject({ at: 'b', feedback: [] });
  });
  test.each<[string, string, Steps, unknown[]]>([
    [
      'no skipping',
      'allow-skipping="false"',
      [next, answer('sev', 'A'), next],
      ['!needs-answer', 'sev', 'b'],
    ],
    [
      'only valid ones',
      'validate-responses="true"',
      [answer('sev', 'A'), next, answer('sev', ['A', 'B']), next],
      ['sev', '!not-valid', 'sev', 'b'],
    ],
    ['only valid ones, skipped empty', 'validate-responses="true"', [next], ['b']],
    ['both, empty', 'validate-responses="true" allow-skipping="false"', [next], ['!needs-answer']],
    [
      'a check as going on',
      'allow-skipping="false"',
      [check('sev'), answer('sev', 'A'), check('sev')],
      ['!needs-answer', 'sev', 'sev'],
    ],
  ])('%s', (_name, attributes, steps, expected) => {
    expect(short(take(line(section('S', ref('sev', control(attributes)) + refs('b'))), steps))).toEqual(
      expected,
    );
  });
  test('no ending of a nonlinear part without what must be answered; simultaneous parts do not mind', () => {
    const inside = section('S', ref('a') + ref('b', control('allow-skipping="false"')));
    expect(
      short(take(part('P', 'nonlinear', 'individual', inside), [endPart, handIn, answer('b'), handIn])),
    ).toEqual(['!needs-answer', '!needs-answer', 'a', null]);
    expect(short(take(free(inside), [handIn]))).toEqual([null]);
  });
  test('left without an answer counts as presented and incorrect; never reached has its defaults', () => {
    const rules = `<qti-outcome-processing><qti-set-outcome-value identifier="TOTAL"><qti-sum><qti-product><qti-number-presented/><qti-base-value base-type="integer">100</qti-base-value></qti-product><qti-product><qti-number-incorrect/><qti-base-value base-type="integer">10</qti-base-value></qti-product><qti-number-selected/></qti-sum></qti-set-outcome-value></qti-outcome-processing>`;
    const taken = take(line(section('S', refs('a', 'b', 'c'))), [next, answer('b'), next, handIn], {}, rules);
    expect(taken.outcomes.TOTAL).toBe(323);
    const early = take(line(section('S', refs('a', 'b', 'c'))), [next, handIn], {}, rules);
    expect(early.outcomes.TOTAL).toBe(223);
    expect(early.items.c).toMatchObject({ SCORE: 0 });
  });
});

describe('rules of linear parts', () => {
  const rule = (...inside: string[]) => line(section('S', inside.join('')));
  test.each<[string, string, Steps, unknown[], readonly string[]]>([
    [
      'a pre-condition that fails passes its question',
      rule(ref('a'), ref('b', only(NEVER)), ref('c')),
      [next],
      ['c'],
      ['a', 'c'],
    ],
    [
      'one that holds lets it in',
      rule(ref('a'), ref('b', only(right('a'))), ref('c')),
      [answer('a'), next],
      ['a', 'b'],
      ['a', 'b', 'c'],
    ],
    [
      'a branch is asked when its question is left, with its answer',
      rule(ref('a', branch('c', right('a'))), ref('b'), ref('c')),
      [answer('a'), next],
      ['a', 'c'],
      ['a', 'c'],
    ],
    [
      'the first that is true decides',
      rule(
        ref('a', branch('d', NEVER) + branch('c', ALWAYS) + branch('d', ALWAYS)),
        ref('b'),
        ref('c'),
        ref('d'),
      ),
      [next],
      ['c'],
      ['a', 'c', 'd'],
    ],
    [
      'out of the section',
      line(section('S', ref('a', branch('EXIT_SECTION', ALWAYS)) + refs('b')) + section('T', refs('c'))),
      [next],
      ['c'],
      ['a', 'c'],
    ],
    [
      'out of the part',
      line(section('S', ref('a', branch('EXIT_TESTPART', ALWAYS)) + refs('b'))) +
        part('Q', 'linear', 'individual', section('T', refs('c'))),
      [next],
      ['c'],
      ['a', 'c'],
    ],
    [
      'out of the test',
      line(section('S', ref('a', branch('EXIT_TEST', ALWAYS)) + refs('b'))) +
        part('Q', 'linear', 'individual', section('T', refs('c'))),
      [next, next, handIn],
      [null, '!closed', null],
      ['a'],
    ],
    [
      'a section that may not be entered is passed',
      line(section('S', refs('a')) + section('T', only(NEVER) + refs('b', 'c')) + section('U', refs('d'))),
      [next],
      ['d'],
      ['a', 'd'],
    ],
    [
      'a section asks its rules when it is left',
      line(section('S', branch('U', ALWAYS) + refs('a')) + section('T', refs('b')) + section('U', refs('c'))),
      [next],
      ['c'],
      ['a', 'c'],
    ],
    [
      'not when a question jumps out of it',
      line(
        section('S', branch('U', ALWAYS) + ref('a', branch('b', ALWAYS))) +
          section('T', refs('b')) +
          section('U', refs('c')),
      ),
      [next],
      ['b'],
      ['a', 'b', 'c'],
    ],
    [
      'of a question that was passed no rules are asked',
      rule(ref('a'), ref('b', only(NEVER) + branch('d', ALWAYS)), ref('c'), ref('d')),
      [next],
      ['c'],
      ['a', 'c', 'd'],
    ],
    [
      'a section asks nothing when all of it was passed',
      line(
        section('S', refs('a')) +
          section('T', branch('EXIT_TEST', ALWAYS) + ref('b', only(NEVER))) +
          section('U', refs('c')),
      ),
      [next],
      ['c'],
      ['a', 'c'],
    ],
    [
      'EXIT_SECTION of a section leaves the one around it',
      line(
        section('O', section('S', branch('EXIT_SECTION', ALWAYS) + refs('a')) + refs('b')) +
          section('T', refs('c')),
      ),
      [next],
      ['c'],
      ['a', 'c'],
    ],
    [
      'ignored in a nonlinear part',
      free(section('S', only(NEVER) + ref('a', branch('c', ALWAYS)) + ref('b', only(NEVER)) + ref('c'))),
      [next],
      ['b'],
      ['a', 'b', 'c'],
    ],
  ])('%s', (_name, inside, steps, expected, questions) => {
    const taken = take(inside, steps);
    expect(short(taken)).toEqual(expected);
    expect(taken.questions).toEqual(questions);
  });

  test('parts have rules too, also nonlinear ones; parts passed over are not among those that ended', () => {
    const inside =
      part('P', 'nonlinear', 'simultaneous', branch('R', totalAtLeast(1)) + section('S', refs('a'))) +
      part('Q', 'nonlinear', 'simultaneous', section('T', refs('b'))) +
      part('R', 'nonlinear', 'simultaneous', section('U', refs('c'))) +
      part('X', 'nonlinear', 'simultaneous', only(NEVER) + section('V', refs('d')));
    const jumped = take(inside, [answer('a'), endPart, endPart, handIn]);
    expect(short(jumped)).toEqual(['a', 'c', null, null]);
    expect([jumped.closedParts, jumped.questions]).toEqual([
      ['P', 'R'],
      ['a', 'c'],
    ]);
    expect(short(take(inside, [endPart, endPart]))).toEqual(['b', 'c']);
  });
  test('handing in ends the open part; parts not reached close unseen and stay questions of the form', () => {
    const inside =
      line(section('S', refs('a', 'b'))) + part('Q', 'linear', 'individual', section('T', refs('c')));
    const taken = take(inside, [handIn]);
    expect([taken.closedParts, taken.questions, taken.route, Object.keys(taken.items)]).toEqual([
      ['P', 'Q'],
      ['a', 'b', 'c'],
      ['a'],
      ['a', 'b', 'c'],
    ]);
  });
});

describe('clocks', () => {
  test('a question’s time, a section’s, a part’s, the test’s: each at its own moment', () => {
    const item1 = take(line(section('S', ref('a', limits('max-time="10"')) + refs('b'))), [
      wait(9),
      answer('a'),
      wait(1),
      answer('a'),
    ]);
    expect(short(item1)).toEqual(['a', 'a', 'b', '!time-over']);
    expect(item1.items.a?.SCORE).toBe(1);
    expect(
      short(
        take(line(section('S', limits('max-time="10"') + refs('a', 'b')) + section('T', refs('c'))), [
          wait(10),
        ]),
      ),
    ).toEqual(['c']);
    expect(
      short(
        take(
          line(limits('max-time="10"') + section('S', refs('a'))) +
            part('Q', 'linear', 'individual', section('T', refs('b'))),
          [wait(10)],
        ),
      ),
    ).toEqual(['b']);
    const whole = take(`${limits('max-time="10"')}${free(section('S', refs('a')))}`, [
      answer('a'),
      wait(25),
      answer('a'),
    ]);
    expect(short(whole)).toEqual(['a', null, '!handed-in']);
    expect([whole.phase, whole.timeUsed, whole.outcomes.TOTAL]).toEqual([
      'handed-in',
      { test: 10, parts: { P: 10 } },
      1,
    ]);
  });
  test('a wait over several ends ends each at its moment; what comes next has run for the rest', () => {
    const timed = (name: string) => ref(name, limits('max-time="10"'));
    const taken = take(line(section('S', timed('a') + timed('b') + timed('c'))), [
      wait(25),
      wait(4),
      wait(1),
    ]);
    expect(short(taken)).toEqual(['c', 'c', null]);
  });
  test('the student’s factor multiplies maximums and not minimums', () => {
    const inside = line(section('S', ref('a', limits('min-time="4" max-time="10"')) + refs('b')));
    expect(short(take(inside, [wait(3), next, wait(1), next], { timeMultiplier: 2 }))).toEqual([
      'a',
      '!too-early',
      'a',
      'b',
    ]);
    expect(short(take(inside, [wait(19), wait(1)], { timeMultiplier: 2 }))).toEqual(['a', 'b']);
  });
  test('late answers are taken where that is allowed, and count', () => {
    const taken = take(
      line(section('S', ref('a', limits('max-time="5" allow-late-submission="true"')) + refs('b'))),
      [wait(60), answer('a'), next],
    );
    expect([short(taken), taken.items.a?.SCORE]).toEqual([['a', 'a', 'b'], 1]);
  });
  test('in a nonlinear part the next open question behind is shown, from the front again, else none', () => {
    const timed = (name: string) => ref(name, limits('max-time="5"'));
    const taken = take(free(section('S', timed('a') + timed('b'))), [
      next,
      wait(5),
      go('b'),
      wait(5),
      next,
      handIn,
    ]);
    expect(short(taken)).toEqual(['b', 'a', '!time-over', null, '!last', null]);
  });
  test('minimums hold: a section’s leaving it, a part’s ending it, the test’s handing in', () => {
    expect(
      short(
        take(line(section('S', limits('min-time="5"') + refs('a', 'b')) + section('T', refs('c'))), [
          next,
          next,
          wait(5),
          next,
        ]),
      ),
    ).toEqual(['b', '!too-early', 'b', 'c']);
    expect(
      short(
        take(part('P', 'linear', 'individual', limits('min-time="5"') + section('S', refs('a', 'b'))), [
          endPart,
          wait(5),
          endPart,
        ]),
      ),
    ).toEqual(['!too-early', 'a', null]);
    expect(
      short(take(`${limits('min-time="5"')}${free(section('S', refs('a')))}`, [handIn, wait(5), handIn])),
    ).toEqual(['!too-early', 'a', null]);
  });
  test('while stopped, looked back at and handed in, clocks stand or run as they should', () => {
    const two =
      part('P', 'nonlinear', 'simultaneous', section('S', refs('a'))) +
      part('Q', 'nonlinear', 'simultaneous', section('T', ref('b', limits('max-time="20"'))));
    const taken = take(two, [
      wait(10),
      stop,
      wait(100),
      resume,
      endPart,
      go('a'),
      wait(30),
      go('b'),
      wait(5),
      handIn,
      wait(50),
    ]);
    expect(short(taken)).toEqual(['a', null, null, 'a', 'b', 'a', 'a', 'b', 'b', null, null]);
    expect(taken.timeUsed).toEqual({ test: 45, parts: { P: 10, Q: 35 } });
  });
  test('a branch is asked of a question that its clock ended', () => {
    const taken = take(
      line(section('S', ref('a', limits('max-time="5"') + branch('c', right('a'))) + refs('b', 'c'))),
      [answer('a'), wait(5)],
    );
    expect(short(taken)).toEqual(['a', 'c']);
  });
});

describe('test feedback', () => {
  const says = (identifier: string, access: string) =>
    `<qti-test-feedback access="${access}" outcome-identifier="TOTAL" show-hide="show" identifier="${identifier}" title="x"><p>x</p></qti-test-feedback>`;
  test('during: at every processing where it is true, as the question just scored lets it, not by hand-in; at the end: after it', () => {
    const inside = part(
      'P',
      'nonlinear',
      'individual',
      section('S', control('show-feedback="true"') + refs('a', 'b')) + says('1', 'atEnd'),
    );
    const rules = `${SUM}${says('1', 'during')}${says('2', 'atEnd')}`;
    const taken = take(inside, [answer('a'), check('a'), answer('b'), handIn], {}, rules);
    expect(taken.steps.map((one) => (one.ok ? one.feedback : []))).toEqual([[], ['1', '1'], [], []]);
    expect(taken.testFeedback).toEqual(['2']);
    expect(take(inside, [answer('a'), check('a'), handIn], {}, rules).testFeedback).toEqual(['1']);
  });
});

describe('the form', () => {
  const many = (attributes: string, inside: string, more = 'visible="true"') =>
    free(section('S', `<qti-selection ${attributes}/>${inside}`, more));
  const drawn = (inside: string, seed: string) => take(inside, [], { seed }).questions;
  const SEEDS = Array.from({ length: 25 }, (_, i) => `seed ${i}`);

  test('what is required is always in, in the document’s order without mixing; the same seed draws the same', () => {
    const inside = many(
      'select="3"',
      ref('a') + ref('b') + ref('c', '', 'required="true"') + ref('d') + ref('e'),
    );
    for (const seed of SEEDS) {
      const questions = drawn(inside, seed);
      expect(questions).toHaveLength(3);
      expect(questions).toContain('c');
      expect(questions).toEqual([...questions].sort());
      expect(drawn(inside, seed)).toEqual(questions);
    }
    expect(new Set(SEEDS.map((seed) => drawn(inside, seed).join(''))).size).toBeGreaterThan(2);
  });
  test('with replacement a question may come more than once, numbered in the order of the form', () => {
    const inside = many('select="6" with-replacement="true"', refs('a', 'b'));
    for (const seed of SEEDS) {
      const questions = drawn(inside, seed);
      expect(questions).toHaveLength(6);
      const a = questions.filter((one) => one.startsWith('a'));
      expect(a).toEqual(a.length === 1 ? ['a'] : a.map((_, i) => `a.${i + 1}`));
    }
  });
  test('the copies are questions of their own', () => {
    const taken = take(many('select="2" with-replacement="true"', refs('a')), [
      answer('a.1'),
      answer('a.2', 'B'),
      answer('a'),
      handIn,
    ]);
    expect(short(taken)).toEqual(['a.1', 'a.1', '!not-shown', null]);
    expect([taken.items['a.1']?.SCORE, taken.items['a.2']?.SCORE, taken.outcomes.TOTAL]).toEqual([1, 0, 1]);
  });
  const mixed = (inner: string) =>
    free(
      section(
        'S',
        `<qti-ordering shuffle="true"/>${refs('a', 'b')}${section('I', refs('c', 'd', 'e'), inner)}${ref('f', '', 'fixed="true"')}`,
      ),
    );
  test('fixed keeps its place; a section keeps together in the mixing around it', () => {
    for (const seed of SEEDS) {
      const order = drawn(mixed('visible="true" keep-together="false"'), seed).join('');
      expect(order).toContain('cde');
      expect(order.at(-1)).toBe('f');
    }
  });
  test('unless it is invisible and need not', () => {
    const orders = SEEDS.map((seed) => drawn(mixed('visible="false" keep-together="false"'), seed).join(''));
    expect(orders.some((order) => !order.includes('cde'))).toBe(true);
    expect(orders.every((order) => order.endsWith('f') && [...order].sort().join('') === 'abcdef')).toBe(
      true,
    );
  });
});

test('a script that cannot be read is refused: a negative wait, a step with two deeds, a test that is not there', () => {
  expect(script.safeParse({ steps: [{ wait: -1 }] }).success).toBe(false);
  expect(script.safeParse({ steps: [{ next: true, back: true }] }).success).toBe(false);
  expect(script.safeParse({ steps: [{ jump: 'a' }] }).success).toBe(false);
  const content = read(free(section('S', refs('a'))));
  expect(() => takeScript(content, script.parse({ test: 'nobody', steps: [] }))).toThrow(BadScript);
});
