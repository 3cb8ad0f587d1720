import { readPackage } from '../qti/package';
import { filesFrom } from '../qti/testItem';
import type { RawResponse } from '../content/response';
import { itemRefsOf } from '../item/test';
import { toJson } from '../content/value';
import { scoreItem } from './score';
import { scoreTest, type QuestionOutcome } from './scoreTest';

/**
 * The expressions only a test has, after their definitions in the QTI 3.0 information model, "Outcome processing" (from memory):
 * two sections, five items with categories and weights, answered in known ways, and what each expression must say.
 */
const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const item = (
  identifier: string,
  key: string | null,
) => `<qti-assessment-item ${NS} identifier="${identifier}" title="t">
  <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier">${key === null ? '' : `<qti-correct-response><qti-value>${key}</qti-value></qti-correct-response>`}</qti-response-declaration>
  <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float" normal-maximum="1" normal-minimum="${identifier === 'a' ? '-1' : '0'}"/>
  <qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="1"><qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice></qti-choice-interaction></qti-item-body>
  ${key === null ? '' : '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>'}
</qti-assessment-item>`;
const ref = (identifier: string, attributes = '', inside = '') =>
  `<qti-assessment-item-ref identifier="${identifier}" href="${identifier}.xml" ${attributes}>${inside}</qti-assessment-item-ref>`;
const ANSWERS: Readonly<Record<string, RawResponse>> = { a: 'A', b: 'A', c: 'B', d: null, e: 'A' };

/** Outcomes of the test with these declarations and rules. `e` was not among the questions when `without` names it. */
function outcomesOf(declarations: string, rules: string, without: readonly string[] = []) {
  const sources: Record<string, string> = {
    'imsmanifest.xml':
      '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
    'test.xml': `<qti-assessment-test ${NS} identifier="t" title="t">${declarations}
      <qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous">
        <qti-assessment-section identifier="first" title="1" visible="true">
          ${ref('a', 'category="reading short"', '<qti-weight identifier="W" value="2"/>')}${ref('b', 'category="reading"')}
          <qti-assessment-section identifier="inner" title="i" visible="true">${ref('c', 'category="number"', '<qti-weight identifier="W" value="0.5"/>')}</qti-assessment-section>
        </qti-assessment-section>
        <qti-assessment-section identifier="second" title="2" visible="true">${ref('d')}${ref('e')}</qti-assessment-section>
      </qti-test-part>
      <qti-outcome-processing>${rules}</qti-outcome-processing></qti-assessment-test>`,
    ...Object.fromEntries(
      ['a', 'b', 'c', 'd'].map((one) => [
        `${one}.xml`,
        item(one, one === 'b' ? 'B' : one === 'c' ? 'B' : 'A'),
      ]),
    ),
    'e.xml': item('e', null),
  };
  const content = readPackage(filesFrom(sources));
  expect(content.problems).toEqual([]);
  const [test] = content.tests;
  if (!test) throw new Error('no test');
  const SECTIONS: Readonly<Record<string, string[]>> = { a: ['first'], b: ['first'], c: ['first', 'inner'] };
  const places = itemRefsOf(test).flatMap((source): QuestionOutcome[] => {
    const { identifier } = source;
    const item = content.items.get(identifier);
    if (!item || without.includes(identifier)) return [];
    const score = scoreItem(item, { RESPONSE: ANSWERS[identifier] ?? null });
    const sections = SECTIONS[identifier] ?? ['second'];
    return [
      { ...score, ref: identifier, source, item, sections, presented: identifier !== 'd', duration: 0 },
    ];
  });
  return Object.fromEntries(
    Object.entries(scoreTest(test, places)).map(([name, value]) => [name, toJson(value)]),
  );
}
const NUMBER = '<qti-outcome-declaration identifier="N" cardinality="single" base-type="float"/>';
const set = (expression: string) =>
  `<qti-set-outcome-value identifier="N">${expression}</qti-set-outcome-value>`;
const sum = (attributes: string) =>
  `<qti-sum><qti-test-variables variable-identifier="SCORE" ${attributes}/></qti-sum>`;

// a right, b wrong, c right, d not answered and never opened, e answered with no key.
test.each([
  ['<qti-number-correct/>', 2],
  // Only what was attempted is incorrect (QTI 3.0, "number-incorrect"): d was never there to be answered.
  ['<qti-number-incorrect/>', 1],
  ['<qti-number-responded/>', 4],
  ['<qti-number-presented/>', 4],
  ['<qti-number-selected/>', 5],
  ['<qti-number-correct section-identifier="first"/>', 2],
  ['<qti-number-correct section-identifier="inner"/>', 1],
  ['<qti-number-selected include-category="reading"/>', 2],
  ['<qti-number-selected include-category="reading number"/>', 3],
  ['<qti-number-selected exclude-category="reading"/>', 3],
  ['<qti-number-selected include-category="reading" exclude-category="short"/>', 1],
  [sum(''), 2],
  [sum('weight-identifier="W"'), 2.5],
  [sum('section-identifier="inner" weight-identifier="W"'), 0.5],
  [sum('include-category="reading"'), 1],
  // Nothing is collected: the sum of NULL is NULL.
  [sum('include-category="nothing"'), null],
  ['<qti-sum><qti-outcome-maximum outcome-identifier="SCORE"/></qti-sum>', 5],
  ['<qti-sum><qti-outcome-maximum outcome-identifier="SCORE" weight-identifier="W"/></qti-sum>', 5.5],
  ['<qti-sum><qti-outcome-minimum outcome-identifier="SCORE"/></qti-sum>', -1],
  ['<qti-variable identifier="c.SCORE"/>', 1],
  ['<qti-variable identifier="c.SCORE" weight-identifier="W"/>', 0.5],
  ['<qti-variable identifier="nobody.SCORE"/>', null],
])('%s is %s', (expression, expected) => {
  expect(outcomesOf(NUMBER, set(expression)).N).toBe(expected);
});

test('an item the attempt did not get is not counted', () => {
  expect(outcomesOf(NUMBER, set('<qti-number-selected/>'), ['e', 'd']).N).toBe(3);
});

test('conditions, lookup tables and exit work on outcomes of the test; a number begins at 0', () => {
  const level = `<qti-outcome-declaration identifier="LEVEL" cardinality="single" base-type="identifier"><qti-match-table default-value="none"><qti-match-table-entry source-value="2" target-value="two"/></qti-match-table></qti-outcome-declaration>
    <qti-outcome-declaration identifier="PASSED" cardinality="single" base-type="boolean"/>`;
  const passed = (word: string) =>
    `<qti-set-outcome-value identifier="PASSED"><qti-base-value base-type="boolean">${word}</qti-base-value></qti-set-outcome-value>`;
  const rules = `<qti-lookup-outcome-value identifier="LEVEL"><qti-number-correct/></qti-lookup-outcome-value>
    <qti-outcome-condition>
      <qti-outcome-if><qti-gte><qti-number-correct/><qti-base-value base-type="integer">3</qti-base-value></qti-gte>${passed('true')}</qti-outcome-if>
      <qti-outcome-else>${passed('false')}<qti-exit-test/></qti-outcome-else>
    </qti-outcome-condition>${set('<qti-base-value base-type="float">9</qti-base-value>')}`;
  expect(outcomesOf(NUMBER + level, rules)).toEqual({ N: 0, LEVEL: 'two', PASSED: false });
});
