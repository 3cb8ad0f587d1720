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
    codes: content.problems.map(({ severity, code }) => `${severity} ${code}`),
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
    expect(readWhole(part(section('s', `<qti-selection select="9"/>${all}`))).questions('any')).toBe(
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
    'a path that depends on answers',
    part(section('s', ref('a', '', '<qti-pre-condition><qti-null/></qti-pre-condition>'))),
    'error unsupported-element',
  ],
  [
    'a branch',
    part(section('s', ref('a', '', '<qti-branch-rule target="b"><qti-null/></qti-branch-rule>'))),
    'error unsupported-element',
  ],
  ['an item that is not there', part(section('s', ref('nobody'))), 'error missing-file'],
  [
    'a rule on an undeclared outcome',
    `${part(section('s', ref('a')))}<qti-outcome-processing><qti-set-outcome-value identifier="NOPE"><qti-null/></qti-set-outcome-value></qti-outcome-processing>`,
    'error unknown-variable',
  ],
])('%s is refused', (_what, inside, code) => {
  const { codes, test: whole } = read(inside);
  expect(codes).toContain(code);
  expect(whole).toBeUndefined();
});

test('feedback of a test is set aside and said so', () => {
  const { codes, test: whole } = read(
    `${part(section('s', ref('a')))}<qti-test-feedback access="atEnd" outcome-identifier="SCORE" identifier="x" show-hide="show"><p>Well done.</p></qti-test-feedback>`,
  );
  expect(codes).toEqual(['warning feedback-set-aside']);
  expect(whole?.title).toBe('Tides');
});
