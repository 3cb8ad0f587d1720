import { readPackage } from '../qti/package';
import { filesFrom } from '../qti/testItem';
import { drawForm } from './form';
import { Sitting } from './sitting';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const MATCH =
  '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>';
const float = (name: string, more = '') =>
  `<qti-outcome-declaration identifier="${name}" cardinality="single" base-type="float" ${more}/>`;
/** A question of one point with the right answer A, and an essay of ten. */
const easy = (name: string) =>
  `<qti-assessment-item ${NS} identifier="${name}" title="t"><qti-response-declaration identifier="R" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration>${float('SCORE')}<qti-item-body><qti-choice-interaction response-identifier="R" max-choices="1"><qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice></qti-choice-interaction></qti-item-body>${MATCH.replace('RESPONSE', 'R')}</qti-assessment-item>`.replaceAll(
    '"R"',
    '"RESPONSE"',
  );
const essay = `<qti-assessment-item ${NS} identifier="essay" title="t"><qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"/>${float('SCORE', 'normal-maximum="10"')}<qti-item-body><qti-extended-text-interaction response-identifier="RESPONSE"/></qti-item-body></qti-assessment-item>`;

function taken(outcomes: string, processing: string, answers: Readonly<Record<string, string>>): Sitting {
  const ref = (name: string, more = '', inside = '') =>
    `<qti-assessment-item-ref identifier="${name}" href="${name}.xml" ${more}>${inside}</qti-assessment-item-ref>`;
  const content = readPackage(
    filesFrom({
      'imsmanifest.xml':
        '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="t">${outcomes}<qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous"><qti-assessment-section identifier="s" title="s" visible="true">
        ${ref('one', '', '<qti-weight identifier="W" value="3"/>')}${ref('two', 'category="trial"')}${ref('essay')}</qti-assessment-section></qti-test-part>${processing}</qti-assessment-test>`,
      'one.xml': easy('one'),
      'two.xml': easy('two'),
      'essay.xml': essay,
    }),
  );
  const [test] = content.tests;
  if (!test) throw new Error(JSON.stringify(content.problems));
  const whole = { test, items: content.items };
  const sitting = Sitting.begin(whole, drawForm(test, 'seed'));
  for (const [item, value] of Object.entries(answers)) {
    sitting.take({ do: 'go', ref: item });
    sitting.take({ do: 'answer', ref: item, responses: { RESPONSE: value } });
  }
  sitting.take({ do: 'hand-in' });
  return sitting;
}
const points = (...paper: Parameters<typeof taken>) =>
  taken(...paper).points(({ ref: one }) => one !== 'essay' || paper[2].essay === undefined);
const RIGHT = { one: 'A', two: 'A', essay: 'The tide.' };
const sumOf = (attributes: string) =>
  `<qti-outcome-processing><qti-set-outcome-value identifier="SCORE"><qti-sum><qti-test-variables variable-identifier="SCORE" ${attributes}/></qti-sum></qti-set-outcome-value></qti-outcome-processing>`;

test('a flawless paper has all of what is marked, and the rest is apart', () => {
  const expected = { score: 2, maximum: 2, later: 10, ownRule: false };
  expect(points('', '', RIGHT)).toEqual(expected);
  expect(points(float('SCORE'), sumOf(''), RIGHT)).toEqual(expected);
  const { essay: _none, ...without } = RIGHT;
  expect(points('', '', without)).toEqual({ score: 2, maximum: 12, later: 0, ownRule: false });
});
test('weights count as the test counts them, in what is had and what can be had', () => {
  expect(points(float('SCORE'), sumOf('weight-identifier="W"'), RIGHT)).toEqual({
    score: 4,
    maximum: 4,
    later: 10,
    ownRule: true,
  });
  expect(points(float('SCORE'), sumOf('weight-identifier="W"'), { two: 'A', essay: 'x' })).toEqual({
    score: 1,
    maximum: 4,
    later: 10,
    ownRule: true,
  });
});
test('questions on trial are in no number', () => {
  expect(points(float('SCORE'), sumOf('exclude-category="trial"'), RIGHT)).toEqual({
    score: 1,
    maximum: 1,
    later: 10,
    ownRule: true,
  });
});
test('a maximum the test names is of the whole; what is still to be marked is taken off it', () => {
  const named =
    '<qti-outcome-declaration identifier="MAXSCORE" cardinality="single" base-type="float"><qti-default-value><qti-value>20</qti-value></qti-default-value></qti-outcome-declaration>';
  expect(points(float('SCORE') + named, sumOf(''), RIGHT)).toEqual({
    score: 2,
    maximum: 10,
    later: 10,
    ownRule: true,
  });
});

describe('which questions count is told by what a flawless paper would lose without them', () => {
  const counted = (processing: string) => [...taken(float('SCORE'), processing, {}).counted()];
  const set = (expression: string) =>
    `<qti-outcome-processing><qti-set-outcome-value identifier="SCORE">${expression}</qti-set-outcome-value></qti-outcome-processing>`;
  test.each([
    ['no rule of its own', '', ['one', 'two', 'essay']],
    ['a sum without those on trial', sumOf('exclude-category="trial"'), ['one', 'essay']],
    ['weights', sumOf('weight-identifier="W"'), ['one', 'two', 'essay']],
    // An essay has no right answer that could be counted.
    ['right answers and not points', set('<qti-number-correct/>'), ['one', 'two']],
    [
      'a rule that no question changes',
      set('<qti-base-value base-type="float">1</qti-base-value>'),
      ['one', 'two', 'essay'],
    ],
  ])('%s', (_what, processing, refs) => {
    expect(counted(processing)).toEqual(refs);
  });
});
