import { itemFrom, SCORE } from '../qti/testItem';
import { container, single } from '../content/value';
import { scoreItem } from './score';
import { expressionWords, valueWords, type Step } from './trace';

test('values in one line', () => {
  expect(valueWords(null)).toBe('–');
  expect(valueWords(single('float', 0.5))).toBe('0.5');
  expect(valueWords(container('multiple', 'identifier', ['A', 'B']))).toBe('[A, B]');
  expect(valueWords(container('ordered', 'identifier', ['A']))).toBe('[A]');
  expect(valueWords({ cardinality: 'record', fields: { a: single('integer', 1), b: null } })).toBe(
    '{a: 1, b: –}',
  );
});

const RESPONSE =
  '<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="float"><qti-correct-response><qti-value>4</qti-value></qti-correct-response></qti-response-declaration>';
const BODY =
  '<qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>';
const PROCESSING = `<qti-response-processing>
  <qti-response-condition>
    <qti-response-if>
      <qti-is-null><qti-variable identifier="RESPONSE"/></qti-is-null>
      <qti-set-outcome-value identifier="SCORE"><qti-base-value base-type="float">0</qti-base-value></qti-set-outcome-value>
      <qti-exit-response/>
    </qti-response-if>
    <qti-response-else-if>
      <qti-equal tolerance-mode="absolute" tolerance="0.5"><qti-variable identifier="RESPONSE"/><qti-correct identifier="RESPONSE"/></qti-equal>
      <qti-set-outcome-value identifier="SCORE"><qti-product><qti-base-value base-type="float">2</qti-base-value><qti-base-value base-type="float">1.5</qti-base-value></qti-product></qti-set-outcome-value>
    </qti-response-else-if>
    <qti-response-else>
      <qti-set-outcome-value identifier="SCORE"><qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value>
    </qti-response-else>
  </qti-response-condition>
</qti-response-processing>`;

const { item } = itemFrom(RESPONSE + SCORE + BODY + PROCESSING);
function stepsOf(given: string | null): Step[] {
  const steps: Step[] = [];
  scoreItem(item, { RESPONSE: given }, { trace: (step) => steps.push(step) });
  return steps;
}
const EQUAL = 'equal(RESPONSE, correct RESPONSE, tolerance-mode=absolute, tolerance=0.5)';

test('rules are told in their order, with what they are made of and where they stand', () => {
  expect(stepsOf('4.2')).toEqual([
    { does: 'if', expression: 'is-null(RESPONSE)', holds: false, line: 4 },
    { does: 'if', expression: EQUAL, holds: true, line: 9 },
    { does: 'set', identifier: 'SCORE', expression: 'product(2, 1.5)', value: '3', line: 10 },
  ]);
});
test('an else and an exit are told too', () => {
  expect(stepsOf('9').slice(2)).toEqual([
    { does: 'else', line: 0 },
    { does: 'set', identifier: 'SCORE', expression: '1', value: '1', line: 13 },
  ]);
  expect(stepsOf(null).map(({ does }) => does)).toEqual(['if', 'set', 'exit']);
});
test('who does not ask is told nothing, and the score is the same', () => {
  expect(scoreItem(item, { RESPONSE: '4' }).outcomes).toEqual(
    scoreItem(item, { RESPONSE: '4' }, { trace: () => undefined }).outcomes,
  );
});
test('an expression without arguments is its name', () => {
  expect(expressionWords({ op: 'null', attributes: {}, args: [], text: '', line: 0 })).toBe('null');
});
