import { deliverTest } from '../deliver/deliver';
import { drawForm } from '../sitting/form';
import { itemRefsOf, type Section, type Test } from '../item/test';
import { readPackage } from './package';
import { filesFrom, SCORE } from './testItem';

/** Tests, parts and sections after the QTI 3.0 information model, "Assessment test" (from memory). */
const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const item = (identifier: string) =>
  `<qti-assessment-item ${NS} identifier="${identifier}" title="t">${SCORE}<qti-item-body><p>${identifier}</p></qti-item-body></qti-assessment-item>`;
const ITEMS = ['a', 'b', 'c', 'd', 'e', 'f'];
const ref = (identifier: string, attributes = '', inside = '') =>
  `<qti-assessment-item-ref identifier="${identifier}" href="${identifier}.xml" ${attributes}>${inside}</qti-assessment-item-ref>`;
const section = (identifier: string, inside: string, attributes = '') =>
  `<qti-assessment-section identifier="${identifier}" title="${identifier}" visible="true" ${attributes}>${inside}</qti-assessment-section>`;
const part = (inside: string, attributes = 'navigation-mode="nonlinear" submission-mode="simultaneous"') =>
  `<qti-test-part identifier="part" ${attributes}>${inside}</qti-test-part>`;

function read(inside: string, more: Record<string, string> = {}) {
  const content = readPackage(
    filesFrom({
      'imsmanifest.xml':
        '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Tides">${inside}</qti-assessment-test>`,
      ...Object.fromEntries(ITEMS.map((one) => [`${one}.xml`, item(one)])),
      ...more,
    }),
  );
  return {
    content,
    test: content.tests[0],
    codes: content.problems
      .filter(({ code }) => code !== 'not-on-screen-yet')
      .map(({ severity, code }) => `${severity} ${code}`),
    heldBack: content.problems.filter(({ code }) => code === 'not-on-screen-yet'),
  };
}
function readWhole(
  inside: string,
  more?: Record<string, string>,
): { test: Test; questions: (seed: string) => string } {
  const { content, test, codes } = read(inside, more);
  expect(codes).toEqual([]);
  if (!test) throw new Error('the test was refused');
  const questions = (seed: string) =>
    deliverTest({ ...content, test: test }, drawForm(test, seed))
      .parts.flatMap((one) => one.sections.flatMap((two) => two.items))
      .join('');
  return { test, questions };
}
const SEEDS = Array.from({ length: 12 }, (_, i) => `seed ${i}`);

test('modes, time limits, categories and weights are read; what is not said is the standard’s default', () => {
  const { test: whole } = readWhole(
    `<qti-time-limits max-time="2700" min-time="60"/>
     ${part(section('s', ref('a', 'category="reading short" fixed="true" required="true"', '<qti-weight identifier="W" value="2.5"/><qti-time-limits max-time="90"/>') + ref('b')), 'navigation-mode="linear" submission-mode="individual"')}`,
  );
  expect(whole.timeLimits).toEqual({ minimum: 60, maximum: 2700, allowLateSubmission: false });
  expect(whole.parts[0]).toMatchObject({ navigation: 'linear', submission: 'individual' });
  const [a, b] = itemRefsOf(whole);
  expect(a).toMatchObject({
    categories: ['reading', 'short'],
    weights: { W: 2.5 },
    fixed: true,
    required: true,
    timeLimits: { minimum: null, maximum: 90 },
  });
  expect(b).toMatchObject({
    categories: [],
    weights: {},
    fixed: false,
    required: false,
    sessionControl: {
      maxAttempts: 1,
      showFeedback: false,
      allowReview: true,
      showSolution: false,
      allowSkipping: true,
      validateResponses: false,
    },
  });
});

test('session control is inherited from part to section to item, a value at a time', () => {
  const control = (attributes: string) => `<qti-item-session-control ${attributes}/>`;
  const { test: whole } = readWhole(
    part(
      control('max-attempts="3" show-feedback="true"') +
        section(
          's',
          control('show-solution="true"') +
            ref('a') +
            ref('b', '', control('max-attempts="0" show-feedback="false"')),
        ),
    ),
  );
  expect(
    itemRefsOf(whole).map(({ sessionControl: c }) => [c.maxAttempts, c.showFeedback, c.showSolution]),
  ).toEqual([
    [3, true, true],
    [0, false, true],
  ]);
});

test('sections stand in sections and in files of their own; items come in order', () => {
  const { test: whole, questions } = readWhole(
    part(
      section(
        's',
        ref('a') +
          section('inner', ref('b')) +
          '<qti-assessment-section-ref identifier="r" href="own.xml"/>' +
          ref('e'),
      ),
    ),
    {
      'own.xml': section('own', ref('c') + ref('d')).replace(
        '<qti-assessment-section ',
        `<qti-assessment-section ${NS} `,
      ),
    },
  );
  expect(questions('any')).toBe('abcde');
  const [outer] = whole.parts[0]?.sections ?? [];
  expect(outer?.children.map((child) => child.identifier)).toEqual(['a', 'inner', 'own', 'e']);
});

describe('selection and ordering', () => {
  const all = ITEMS.map((one) => ref(one)).join('');
  test('some are drawn, the same for the same seed, in their order', () => {
    const { questions } = readWhole(part(section('s', `<qti-selection select="3"/>${all}`)));
    const drawn = SEEDS.map(questions);
    expect(new Set(drawn.map((one) => one.length))).toEqual(new Set([3]));
    expect(drawn.every((one) => one === [...one].sort().join(''))).toBe(true);
    expect(new Set(drawn).size).toBeGreaterThan(1);
    expect(SEEDS.map(questions)).toEqual(drawn);
  });
  test('a required one is always among them', () => {
    const { questions } = readWhole(
      part(
        section(
          's',
          `<qti-selection select="2"/>${all.replace('identifier="d"', 'identifier="d" required="true"')}`,
        ),
      ),
    );
    expect(SEEDS.map(questions).every((one) => one.includes('d') && one.length === 2)).toBe(true);
  });
  test('more than there are is all of them', () => {
    const { content, test: whole, codes } = read(part(section('s', `<qti-selection select="9"/>${all}`)));
    expect(codes).toEqual(['warning bad-selection']);
    if (!whole) throw new Error('refused');
    expect(Object.keys(deliverTest({ ...content, test: whole }, drawForm(whole, 'any')).items).join('')).toBe(
      'abcdef',
    );
  });
  test('shuffled, fixed ones stay where they are', () => {
    const fixed = all
      .replace('identifier="a"', 'identifier="a" fixed="true"')
      .replace('identifier="d"', 'identifier="d" fixed="true"');
    const { questions } = readWhole(part(section('s', `<qti-ordering shuffle="true"/>${fixed}`)));
    const orders = SEEDS.map(questions);
    expect(orders.every((one) => one.startsWith('a') && one[3] === 'd')).toBe(true);
    expect(orders.every((one) => [...one].sort().join('') === 'abcdef')).toBe(true);
    expect(new Set(orders).size).toBeGreaterThan(2);
  });
});

test('directions are the rubric blocks for candidates', () => {
  const rubric = (view: string, words: string) =>
    `<qti-rubric-block view="${view}" use="instructions"><p>${words}</p></qti-rubric-block>`;
  const { content, test: whole } = read(
    rubric('candidate', 'Read first.') +
      rubric('scorer', 'Only full sentences.') +
      part(section('s', rubric('candidate proctor', 'On paper.') + ref('a'))),
  );
  if (!whole) throw new Error('refused');
  const delivered = deliverTest({ ...content, test: whole }, drawForm(whole, 'any'));
  expect(JSON.stringify(delivered.directions)).toContain('Read first.');
  expect(JSON.stringify(delivered)).not.toContain('full sentences');
  expect(JSON.stringify(delivered.parts[0]?.sections[0]?.directions)).toContain('On paper.');
  const [first] = whole.parts[0]?.sections ?? [];
  expect((first as Section).rubrics[0]?.views).toEqual(['candidate', 'proctor']);
});

test.each([
  ['a test without parts', '', 'error no-parts'],
  [
    'a branch that leads nowhere',
    part(section('s', ref('a', '', '<qti-branch-rule target="z"><qti-null/></qti-branch-rule>') + ref('b'))),
    'error bad-target',
  ],
  [
    'a branch that leads back',
    part(section('s', ref('a') + ref('b', '', '<qti-branch-rule target="a"><qti-null/></qti-branch-rule>'))),
    'error bad-target',
  ],
  [
    'two references with one identifier',
    part(section('s', ref('a') + ref('a'))),
    'error duplicate-identifier',
  ],
  ['a section called like a reference', part(section('a', ref('a'))), 'error duplicate-identifier'],
  [
    'a negative time',
    `<qti-time-limits max-time="-5"/>${part(section('s', ref('a')))}`,
    'error bad-attribute',
  ],
  [
    'a least time above the most',
    `<qti-time-limits min-time="9" max-time="5"/>${part(section('s', ref('a')))}`,
    'error bad-limits',
  ],
  [
    'a time that is no number',
    `<qti-time-limits max-time="soon"/>${part(section('s', ref('a')))}`,
    'error bad-attribute',
  ],
  [
    'a selection below nothing',
    part(section('s', `<qti-selection select="-1"/>${ref('a')}`)),
    'error bad-attribute',
  ],
  [
    'attempts below nothing',
    part(section('s', ref('a', '', '<qti-item-session-control max-attempts="-1"/>'))),
    'error bad-attribute',
  ],
  [
    'a mode the standard has not',
    part(section('s', ref('a')), 'navigation-mode="sideways" submission-mode="individual"'),
    'error bad-attribute',
  ],
  ['a part that does not say its mode', part(section('s', ref('a')), ''), 'error bad-attribute'],
  ['neither true nor false', part(section('s', ref('a', 'fixed="perhaps"'))), 'error bad-attribute'],
  [
    'an element that does not belong there',
    part(section('s', '<qti-branch-rules/>' + ref('a'))),
    'error unknown-element',
  ],
  [
    'a section that contains itself',
    part(section('s', '<qti-assessment-section-ref identifier="r" href="own.xml"/>')),
    'error section-in-itself',
  ],
  ['an item that is not there', part(section('s', ref('nobody'))), 'error missing-file'],
  [
    'a rule on an undeclared outcome',
    `${part(section('s', ref('a')))}<qti-outcome-processing><qti-set-outcome-value identifier="NOPE"><qti-null/></qti-set-outcome-value></qti-outcome-processing>`,
    'error unknown-variable',
  ],
])('%s is refused', (_what, inside, code) => {
  const own = section('own', ref('c') + '<qti-assessment-section-ref identifier="again" href="own.xml"/>');
  const { codes, test: whole } = read(inside, {
    'own.xml': own.replace('<qti-assessment-section ', `<qti-assessment-section ${NS} `),
  });
  expect(codes).toContain(code);
  expect(whole).toBeUndefined();
});

/**
 * Every element and attribute of the standard's assessment test model (QTI 3.0 information model, "Assessment test"; from
 * memory), with a value that is not its default, and what of the fixture it is put into. For each: the test read is another
 * one with it (honoured), or the report names it.
 */
const BASE = {
  outcome: '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>',
  limits: '<qti-time-limits max-time="60"/>',
};
interface Slots {
  readonly test?: string;
  readonly inTest?: string;
  readonly outcome?: string;
  readonly part?: string;
  readonly inPart?: string;
  readonly section?: string;
  readonly inSection?: string;
  readonly sectionRef?: string;
  readonly item?: string;
  readonly inItem?: string;
  readonly modes?: string;
}
function readSlots(slots: Slots) {
  const inside = `<qti-test-part identifier="part" ${slots.modes ?? 'navigation-mode="nonlinear" submission-mode="simultaneous"'} ${slots.part ?? ''}>${slots.inPart ?? ''}
    <qti-assessment-section identifier="s" title="s" visible="true" ${slots.section ?? ''}>${slots.inSection ?? ''}
      <qti-assessment-item-ref identifier="a" href="a.xml" ${slots.item ?? ''}>${slots.inItem ?? ''}</qti-assessment-item-ref>${ref('b')}
      <qti-assessment-section-ref identifier="r" href="own.xml" ${slots.sectionRef ?? ''}/></qti-assessment-section></qti-test-part>`;
  const { content, test: whole } = read('', {
    'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Tides" ${slots.test ?? ''}>${slots.outcome ?? BASE.outcome}${slots.inTest ?? ''}${inside}</qti-assessment-test>`,
    'own.xml': `<qti-assessment-section ${NS} identifier="own" title="own" visible="true">${ref('c')}</qti-assessment-section>`,
  });
  return { model: JSON.stringify(whole ?? null), problems: content.problems };
}
const feedback = (attributes: string) =>
  `<qti-test-feedback outcome-identifier="SCORE" ${attributes}><p>Well done.</p></qti-test-feedback>`;
const MODEL: readonly [what: string, without: Slots, withIt: Slots][] = [
  ['test title', {}, { test: 'xml:lang="fr"' }],
  ['test tool-name', {}, { test: 'tool-name="x"' }],
  ['test tool-version', {}, { test: 'tool-version="2"' }],
  ['test class', {}, { test: 'class="x"' }],
  [
    'context declaration',
    {},
    { inTest: '<qti-context-declaration identifier="WHO" cardinality="single" base-type="string"/>' },
  ],
  ['outcome normal-maximum', {}, { outcome: BASE.outcome.replace('/>', ' normal-maximum="5"/>') }],
  ['outcome normal-minimum', {}, { outcome: BASE.outcome.replace('/>', ' normal-minimum="-5"/>') }],
  ['outcome external-scored', {}, { outcome: BASE.outcome.replace('/>', ' external-scored="human"/>') }],
  ['outcome view', {}, { outcome: BASE.outcome.replace('/>', ' view="author"/>') }],
  ['outcome interpretation', {}, { outcome: BASE.outcome.replace('/>', ' interpretation="points"/>') }],
  [
    'outcome long-interpretation',
    {},
    { outcome: BASE.outcome.replace('/>', ' long-interpretation="x.html"/>') },
  ],
  ['outcome mastery-value', {}, { outcome: BASE.outcome.replace('/>', ' mastery-value="3"/>') }],
  [
    'outcome variable-identifier-ref',
    {},
    { outcome: BASE.outcome.replace('/>', ' variable-identifier-ref="x"/>') },
  ],
  ['test time limit', {}, { inTest: BASE.limits }],
  ['min-time', { inTest: BASE.limits }, { inTest: '<qti-time-limits max-time="60" min-time="5"/>' }],
  [
    'allow-late-submission',
    { inTest: BASE.limits },
    { inTest: '<qti-time-limits max-time="60" allow-late-submission="true"/>' },
  ],
  ['style sheet', {}, { inTest: '<qti-stylesheet href="x.css" type="text/css"/>' }],
  ['test rubric', {}, { inTest: '<qti-rubric-block view="candidate"><p>Read.</p></qti-rubric-block>' }],
  [
    'rubric use',
    { inTest: '<qti-rubric-block view="candidate"><p>Read.</p></qti-rubric-block>' },
    { inTest: '<qti-rubric-block view="candidate" use="instructions"><p>Read.</p></qti-rubric-block>' },
  ],
  [
    'rubric view',
    { inTest: '<qti-rubric-block view="candidate"><p>Read.</p></qti-rubric-block>' },
    { inTest: '<qti-rubric-block view="scorer"><p>Read.</p></qti-rubric-block>' },
  ],
  ['rubric id', {}, { inTest: '<qti-rubric-block view="candidate" id="x"><p>Read.</p></qti-rubric-block>' }],
  [
    'rubric class',
    {},
    { inTest: '<qti-rubric-block view="candidate" class="x"><p>Read.</p></qti-rubric-block>' },
  ],
  ['part title', {}, { part: 'title="First"' }],
  ['part class', {}, { part: 'class="x"' }],
  ['navigation-mode', {}, { modes: 'navigation-mode="linear" submission-mode="simultaneous"' }],
  ['submission-mode', {}, { modes: 'navigation-mode="nonlinear" submission-mode="individual"' }],
  ['part time limit', {}, { inPart: BASE.limits }],
  ['part rubric', {}, { inPart: '<qti-rubric-block view="candidate"><p>Read.</p></qti-rubric-block>' }],
  ['part pre-condition', {}, { inPart: '<qti-pre-condition><qti-null/></qti-pre-condition>' }],
  ['part branch', {}, { inPart: '<qti-branch-rule target="EXIT_TEST"><qti-null/></qti-branch-rule>' }],
  ['part feedback', {}, { inPart: feedback('access="atEnd" identifier="x"') }],
  ['section title', {}, { section: 'required="true"' }],
  ['section fixed', {}, { section: 'fixed="true"' }],
  ['section class', {}, { section: 'class="x"' }],
  ['section language', {}, { section: 'xml:lang="fr"' }],
  ['keep-together', {}, { section: 'keep-together="false"' }],
  ['section pre-condition', {}, { inSection: '<qti-pre-condition><qti-null/></qti-pre-condition>' }],
  ['section branch', {}, { inSection: '<qti-branch-rule target="EXIT_TEST"><qti-null/></qti-branch-rule>' }],
  ['section time limit', {}, { inSection: BASE.limits }],
  ['section rubric', {}, { inSection: '<qti-rubric-block view="candidate"><p>Read.</p></qti-rubric-block>' }],
  ['selection', {}, { inSection: '<qti-selection select="1"/>' }],
  [
    'with-replacement',
    { inSection: '<qti-selection select="1"/>' },
    { inSection: '<qti-selection select="1" with-replacement="true"/>' },
  ],
  ['shuffle', {}, { inSection: '<qti-ordering shuffle="true"/>' }],
  ['section reference required', {}, { sectionRef: 'required="true"' }],
  ['section reference fixed', {}, { sectionRef: 'fixed="true"' }],
  ['section reference class', {}, { sectionRef: 'class="x"' }],
  ['section reference category', {}, { sectionRef: 'category="x"' }],
  ['item category', {}, { item: 'category="x"' }],
  ['item required', {}, { item: 'required="true"' }],
  ['item fixed', {}, { item: 'fixed="true"' }],
  ['item class', {}, { item: 'class="x"' }],
  ['item pre-condition', {}, { inItem: '<qti-pre-condition><qti-null/></qti-pre-condition>' }],
  ['item branch', {}, { inItem: '<qti-branch-rule target="b"><qti-null/></qti-branch-rule>' }],
  ['item time limit', {}, { inItem: BASE.limits }],
  ['weight', {}, { inItem: '<qti-weight identifier="W" value="2"/>' }],
  [
    'variable mapping',
    {},
    { inItem: '<qti-variable-mapping source-identifier="SCORE" target-identifier="POINTS"/>' },
  ],
  [
    'template default',
    {},
    {
      inItem:
        '<qti-template-default template-identifier="X"><qti-base-value base-type="integer">3</qti-base-value></qti-template-default>',
    },
  ],
  ...[
    'max-attempts="3"',
    'show-feedback="true"',
    'allow-review="false"',
    'show-solution="true"',
    'allow-comment="true"',
    'allow-skipping="false"',
    'validate-responses="true"',
  ].map(
    (attribute) =>
      [attribute, {}, { inItem: `<qti-item-session-control ${attribute}/>` }] as [string, Slots, Slots],
  ),
  ['test feedback', {}, { inTest: feedback('access="during" identifier="x"') }],
  [
    'feedback access',
    { inTest: feedback('access="during" identifier="x"') },
    { inTest: feedback('access="atEnd" identifier="x"') },
  ],
  [
    'feedback show-hide',
    { inTest: feedback('access="during" identifier="x"') },
    { inTest: feedback('access="during" identifier="x" show-hide="hide"') },
  ],
  [
    'feedback title',
    { inTest: feedback('access="during" identifier="x"') },
    { inTest: feedback('access="during" identifier="x" title="Well"') },
  ],
  ['outcome processing', {}, { inTest: '', outcome: `${BASE.outcome}`, inPart: '', part: 'title="x"' }],
];
describe('nothing of a test is dropped silently', () => {
  test.each(MODEL)('%s', (_what, without, withIt) => {
    const [before, after] = [readSlots(without), readSlots(withIt)];
    expect(before.problems.filter((one) => one.severity === 'error')).toEqual([]);
    const honoured = before.model !== after.model;
    const reported = after.problems.length > before.problems.length;
    expect([honoured, reported]).not.toEqual([false, false]);
    expect(after.problems.every((one) => one.line > 0)).toBe(true);
  });
  test('what the standard does not know is named too', () => {
    const { problems } = readSlots({ item: 'mood="calm"' });
    expect(problems.map(({ code, file }) => [code, file])).toEqual([['attribute-set-aside', 'test.xml']]);
  });
});

describe('what the student’s screens cannot give yet is named, with its line', () => {
  const late = '<qti-time-limits max-time="9" allow-late-submission="true"/>';
  test.each([
    ['of the test', `${late}${part(section('s', ref('a')))}`],
    ['of its only part', part(`${late}${section('s', ref('a'))}`)],
  ])('late answers %s', (_what, inside) => {
    const { codes, heldBack, test: whole } = read(inside);
    expect(codes).toEqual([]);
    expect(whole).toBeDefined();
    expect(heldBack).toMatchObject([{ line: 1, severity: 'warning' }]);
    expect(heldBack[0]?.message).toContain('nothing late is taken');
  });
  const truth = '<qti-base-value base-type="boolean">true</qti-base-value>';
  test.each([
    ['an open part with a maximum', `<qti-time-limits max-time="9"/>${part(section('s', ref('a')))}`],
    ['a linear part', part(section('s', ref('a')), 'navigation-mode="linear" submission-mode="individual"')],
    ['late answers to a question', part(section('s', ref('a', '', late)))],
    ['a rule', part(section('s', ref('a', '', `<qti-pre-condition>${truth}</qti-pre-condition>`)))],
  ])('and nothing else: %s', (_what, inside) => {
    expect(read(inside).heldBack).toEqual([]);
  });
});
