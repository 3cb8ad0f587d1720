import { toJson } from '../content/value';
import { itemFrom } from '../qti/testItem';
import { scoreItem } from './score';

/**
 * Worked cases for each expression after its definition in the QTI 3.0 information model, "Expressions" (from memory; the
 * specification's text was not at hand). Each is scored through a whole item, as an outside system would.
 */
type Type = 'float' | 'integer' | 'boolean' | 'string' | 'identifier';
function valueOf(
  expression: string,
  type: Type = 'float',
  cardinality: 'single' | 'multiple' | 'ordered' = 'single',
  random?: () => number,
) {
  const { item, problems } = itemFrom(
    `<qti-response-declaration identifier="NULLED" cardinality="single" base-type="float"/>
     <qti-response-declaration identifier="LIST" cardinality="ordered" base-type="integer"/>
     <qti-response-declaration identifier="BAG" cardinality="multiple" base-type="identifier"/>
     <qti-response-declaration identifier="SPOT" cardinality="single" base-type="point"/>
     <qti-response-declaration identifier="REC" cardinality="record"/>
     <qti-outcome-declaration identifier="OUT" cardinality="${cardinality}" base-type="${type}"/>
     <qti-item-body><p/></qti-item-body>
     <qti-response-processing><qti-set-outcome-value identifier="OUT">${expression}</qti-set-outcome-value></qti-response-processing>`,
  );
  expect(problems).toEqual([]);
  const responses = {
    LIST: ['1', '2', '3', '2'],
    BAG: ['A', 'B', 'B'],
    SPOT: '10 20',
    REC: { stringValue: '2.5', floatValue: '2.5' },
  };
  return toJson(scoreItem(item, responses, { random }).outcomes.OUT ?? null);
}
const f = (x: number | string) => `<qti-base-value base-type="float">${x}</qti-base-value>`;
const i = (x: number) => `<qti-base-value base-type="integer">${x}</qti-base-value>`;
const b = (x: boolean) => `<qti-base-value base-type="boolean">${x}</qti-base-value>`;
const s = (x: string) => `<qti-base-value base-type="string">${x}</qti-base-value>`;
const id = (x: string) => `<qti-base-value base-type="identifier">${x}</qti-base-value>`;
const v = (name: string) => `<qti-variable identifier="${name}"/>`;
const NULL = '<qti-null/>';
const el = (name: string, inside = '', attributes = '') =>
  `<qti-${name} ${attributes}>${inside}</qti-${name}>`;

describe('logic with NULL', () => {
  test.each([
    [el('and', b(true) + b(true)), true],
    [el('and', b(true) + b(false)), false],
    [el('and', b(true) + NULL), null],
    [el('and', b(false) + NULL), false],
    [el('or', b(false) + b(true)), true],
    [el('or', b(false) + NULL), null],
    [el('or', b(true) + NULL), true],
    [el('not', b(true)), false],
    [el('not', NULL), null],
    [el('any-n', b(true) + b(true) + b(false), 'min="2" max="3"'), true],
    [el('any-n', b(true) + b(true) + b(true), 'min="1" max="2"'), false],
    [el('any-n', b(true) + NULL, 'min="2" max="2"'), null],
    [el('any-n', b(false) + NULL, 'min="2" max="2"'), false],
    [el('is-null', v('NULLED')), true],
    [el('is-null', s('')), true],
    [el('is-null', v('LIST')), false],
    [el('match', f(1) + NULL), null],
  ])('%s is %s', (expression, expected) => {
    expect(valueOf(expression, 'boolean')).toBe(expected);
  });
});

describe('comparing', () => {
  test.each([
    [el('match', f(0.3) + el('sum', f(0.1) + f(0.2))), true],
    [el('match', f(1) + f(1.00001)), false],
    [el('equal', f(10) + f(10.4), 'tolerance-mode="absolute" tolerance="0.5 0.5"'), true],
    [el('equal', f(10) + f(10.5), 'tolerance-mode="absolute" tolerance="0.5 0.5"'), true],
    [
      el(
        'equal',
        f(10) + f(10.5),
        'tolerance-mode="absolute" tolerance="0.5 0.5" include-upper-bound="false"',
      ),
      false,
    ],
    [el('equal', f(10) + f(9.4), 'tolerance-mode="absolute" tolerance="0.5 1"'), false],
    [el('equal', f(200) + f(209), 'tolerance-mode="relative" tolerance="5 5"'), true],
    [el('equal', f(200) + f(211), 'tolerance-mode="relative" tolerance="5 5"'), false],
    [el('equal', f(-200) + f(-209), 'tolerance-mode="relative" tolerance="5 5"'), true],
    [el('equal-rounded', f(3.175) + f(3.183), 'rounding-mode="significantFigures" figures="3"'), true],
    [el('equal-rounded', f(3.175) + f(3.1749), 'rounding-mode="significantFigures" figures="3"'), false],
    [el('equal-rounded', f(1.234) + f(1.23), 'rounding-mode="decimalPlaces" figures="2"'), true],
    [el('string-match', s('Kelp') + s('kelp'), 'case-sensitive="false"'), true],
    [el('string-match', s('Kelp') + s('kelp'), 'case-sensitive="true"'), false],
    [el('substring', s('elp') + s('kelp'), 'case-sensitive="true"'), true],
    [el('substring', s('kelp') + s('elp'), 'case-sensitive="true"'), false],
    [el('pattern-match', s('12-AB'), 'pattern="[0-9]+-[A-Z]{2}"'), true],
    [el('pattern-match', s('x12-AB'), 'pattern="[0-9]+-[A-Z]{2}"'), false],
    [el('pattern-match', s('a'.repeat(40) + '!'), 'pattern="(a+)+"'), false],
    [el('lt', f(1) + f(2)), true],
    [el('gte', f(2) + f(2)), true],
    [el('gt', f(2) + NULL), null],
    [el('inside', v('SPOT'), 'shape="rect" coords="0,0,10,20"'), true],
    [el('inside', v('SPOT'), 'shape="circle" coords="0,0,10"'), false],
    [el('inside', v('SPOT'), 'shape="ellipse" coords="10,20,5,2"'), true],
    [el('inside', v('SPOT'), 'shape="poly" coords="0,0,20,0,20,40,0,40"'), true],
  ])('%s is %s', (expression, expected) => {
    expect(valueOf(expression, 'boolean')).toBe(expected);
  });
});

describe('containers', () => {
  const bag = el('multiple', id('A') + id('B'));
  test.each([
    [el('member', id('A') + v('BAG')), true],
    [el('member', id('C') + v('BAG')), false],
    [el('contains', v('BAG') + bag), true],
    [el('contains', bag + v('BAG')), false],
    [el('contains', v('LIST') + el('ordered', i(2) + i(3))), true],
    [el('contains', v('LIST') + el('ordered', i(1) + i(3))), false],
    [el('match', v('BAG') + el('multiple', id('B') + id('A') + id('B'))), true],
    [el('match', v('BAG') + bag), false],
    [el('match', v('LIST') + el('ordered', i(1) + i(2) + i(2) + i(3))), false],
  ])('%s is %s', (expression, expected) => {
    expect(valueOf(expression, 'boolean')).toBe(expected);
  });
  test('sizes, places, deleting, joining', () => {
    expect(valueOf(el('container-size', v('LIST')), 'integer')).toBe(4);
    expect(valueOf(el('container-size', NULL), 'integer')).toBe(0);
    expect(valueOf(el('index', v('LIST'), 'n="3"'), 'integer')).toBe(3);
    expect(valueOf(el('index', v('LIST'), 'n="5"'), 'integer')).toBeNull();
    expect(valueOf(el('delete', i(2) + v('LIST')), 'integer', 'ordered')).toEqual([1, 3]);
    expect(valueOf(el('multiple', NULL + i(1) + el('multiple', i(2))), 'integer', 'multiple')).toEqual([
      1, 2,
    ]);
    expect(valueOf(el('repeat', i(1) + i(2), 'number-repeats="2"'), 'integer', 'ordered')).toEqual([
      1, 2, 1, 2,
    ]);
    expect(valueOf(el('field-value', v('REC'), 'field-identifier="floatValue"'))).toBe(2.5);
  });
});

describe('arithmetic', () => {
  test.each([
    [el('sum', f(1) + f(2) + v('LIST')), 11],
    [el('sum', f(1) + NULL), null],
    [el('product', f(2) + f(3.5)), 7],
    [el('subtract', f(2) + f(5)), -3],
    [el('divide', f(1) + f(4)), 0.25],
    [el('divide', f(1) + f(0)), null],
    [el('power', f(2) + f(10)), 1024],
    [el('power', f(-2) + f(0.5)), null],
    [el('integer-divide', i(-7) + i(2)), -4],
    [el('integer-modulus', i(-7) + i(2)), 1],
    [el('integer-divide', i(1) + i(0)), null],
    [el('truncate', f(-2.7)), -2],
    [el('round', f(-2.5)), -2],
    [el('round', f(2.5)), 3],
    [el('round-to', f(2.675), 'rounding-mode="decimalPlaces" figures="2"'), 2.68],
    [el('round-to', f(1234.5), 'rounding-mode="significantFigures" figures="2"'), 1200],
    [el('min', v('LIST')), 1],
    [el('max', v('LIST') + f(9)), 9],
    [el('gcd', i(12) + i(18)), 6],
    [el('lcm', i(4) + i(6)), 12],
    [el('math-operator', f(4), 'name="signum"'), 1],
    [el('math-operator', f(100), 'name="log"'), 2],
    [el('math-operator', f(-1), 'name="ln"'), null],
    [el('math-operator', f(1) + f(1), 'name="atan2"'), Math.PI / 4],
    [el('math-operator', f(180), 'name="toRadians"'), Math.PI],
    [el('stats-operator', v('LIST'), 'name="mean"'), 2],
    [el('stats-operator', v('LIST'), 'name="popVariance"'), 0.5],
    [el('stats-operator', v('LIST'), 'name="sampleVariance"'), 2 / 3],
    ['<qti-math-constant name="pi"/>', Math.PI],
  ])('%s is %s', (expression, expected) => {
    const value = valueOf(expression);
    if (expected === null) expect(value).toBeNull();
    else expect(value).toBeCloseTo(expected, 9);
  });
  test('random values come from the sequence they are given', () => {
    expect(valueOf('<qti-random-integer min="2" max="10" step="2"/>', 'integer', 'single', () => 0.99)).toBe(
      10,
    );
    expect(valueOf('<qti-random-integer min="2" max="10" step="2"/>', 'integer', 'single', () => 0)).toBe(2);
    expect(valueOf('<qti-random-float min="1" max="3"/>', 'float', 'single', () => 0.5)).toBe(2);
    expect(valueOf(el('random', v('LIST')), 'integer', 'single', () => 0.6)).toBe(3);
  });
});
