import fc from 'fast-check';
import type { ResponseDeclaration } from './declarations';
import { normaliseTypedNumber, rawOf, readResponse, type RawResponse } from './response';
import { seededRandom, shuffled } from './random';
import {
  BASE_TYPES,
  container,
  floatsEqual,
  formatScalar,
  isNull,
  parseScalar,
  single,
  toJson,
  valuesEqual,
  type BaseType,
  type Cardinality,
  type Scalar,
} from './value';

const declared = (cardinality: Cardinality, baseType: BaseType | null): ResponseDeclaration => ({
  identifier: 'R',
  cardinality,
  baseType,
  defaultValue: null,
  correctResponse: null,
  mapping: null,
  areaMapping: null,
});

describe('lexical forms of the base types (QTI 3.0, "Base types"; from memory)', () => {
  test.each<[BaseType, string, Scalar | undefined]>([
    ['boolean', 'true', true],
    ['boolean', '1', true],
    ['boolean', ' false ', false],
    ['boolean', 'yes', undefined],
    ['integer', '-12', -12],
    ['integer', '+7', 7],
    ['integer', '1.0', undefined],
    ['integer', '', undefined],
    ['float', '.5', 0.5],
    ['float', '5.', 5],
    ['float', '6.02e23', 6.02e23],
    ['float', '1e999', undefined],
    ['float', 'NaN', undefined],
    ['float', '0x10', undefined],
    ['point', '10 20', [10, 20]],
    ['point', '10,20', [10, 20]],
    ['point', '10', undefined],
    ['point', '1 2 3', undefined],
    ['pair', ' A  B ', ['A', 'B']],
    ['directedPair', 'A', undefined],
    ['identifier', ' choice_1 ', 'choice_1'],
    ['identifier', 'two words', undefined],
    ['identifier', '', undefined],
    ['string', '  kept as typed ', '  kept as typed '],
    ['duration', '90.5', 90.5],
  ])('%s from %j', (type, text, expected) => {
    expect(parseScalar(text, type)).toEqual(expected);
  });

  const scalars: Readonly<Record<BaseType, fc.Arbitrary<Scalar>>> = {
    boolean: fc.boolean(),
    integer: fc.integer(),
    float: fc.double({ noNaN: true, noDefaultInfinity: true }),
    duration: fc.double({ min: 0, max: 1e6, noNaN: true }),
    point: fc.tuple(fc.integer(), fc.integer()),
    pair: fc.tuple(fc.stringMatching(/^[A-Z]\w{0,5}$/), fc.stringMatching(/^[A-Z]\w{0,5}$/)),
    directedPair: fc.tuple(fc.stringMatching(/^[A-Z]\w{0,5}$/), fc.stringMatching(/^[A-Z]\w{0,5}$/)),
    identifier: fc.stringMatching(/^[A-Za-z_]\w{0,8}$/),
    string: fc.string({ minLength: 1 }),
    uri: fc.webUrl(),
    file: fc.string({ minLength: 1 }),
  };
  test.each(BASE_TYPES)('%s: what is written is read again', (type) => {
    fc.assert(
      fc.property(scalars[type], (scalar) => {
        const read = parseScalar(formatScalar(scalar), type);
        expect(read).toBeDefined();
        expect(valuesEqual(single(type, read ?? ''), single(type, scalar))).toBe(true);
      }),
    );
  });
});

describe('equal values', () => {
  const bag = (...values: string[]) => container('multiple', 'identifier', values);
  const list = (...values: string[]) => container('ordered', 'identifier', values);
  test.each([
    ['a bag in another order', bag('A', 'B'), bag('B', 'A'), true],
    ['a bag counts how often', bag('A', 'A', 'B'), bag('A', 'B', 'B'), false],
    ['a list in another order', list('A', 'B'), list('B', 'A'), false],
    ['a pair turned round', single('pair', ['A', 'B']), single('pair', ['B', 'A']), true],
    [
      'a directed pair turned round',
      single('directedPair', ['A', 'B']),
      single('directedPair', ['B', 'A']),
      false,
    ],
    ['an integer and the same float', single('integer', 2), single('float', 2.0000000001), true],
    ['two integers', single('integer', 2), single('integer', 3), false],
    ['words that differ in case', single('string', 'Kelp'), single('string', 'kelp'), false],
    ['nothing and nothing', null, null, false],
    ['nothing and something', null, single('boolean', false), false],
    [
      'records field by field',
      { cardinality: 'record', fields: { a: single('float', 1), b: null } },
      { cardinality: 'record', fields: { b: null, a: single('float', 1) } },
      true,
    ],
    [
      'a record with a field more',
      { cardinality: 'record', fields: { a: single('float', 1) } },
      { cardinality: 'record', fields: { a: single('float', 1), b: single('float', 2) } },
      false,
    ],
  ] as const)('%s', (_what, left, right, expected) => {
    expect(valuesEqual(left, right)).toBe(expected);
    expect(valuesEqual(right, left)).toBe(expected);
  });
  test('floats are equal within a billionth of the larger, and never by being small', () => {
    expect(floatsEqual(0.1 + 0.2, 0.3)).toBe(true);
    expect(floatsEqual(1e15, 1e15 + 1)).toBe(true);
    expect(floatsEqual(1e-15, 2e-15)).toBe(false);
    expect(floatsEqual(0, 1e-12)).toBe(false);
  });
  test('what NULL is: nothing, an empty string, an empty container', () => {
    expect([null, single('string', ''), container('multiple', 'string', [])].map(isNull)).toEqual([
      true,
      true,
      true,
    ]);
    expect([single('integer', 0), single('boolean', false), single('string', ' ')].map(isNull)).toEqual([
      false,
      false,
      false,
    ]);
  });
});

describe('responses as they are kept', () => {
  test.each<[string, ResponseDeclaration, RawResponse, unknown]>([
    ['one number', declared('single', 'float'), '2.50', 2.5],
    ['a thousand with its comma', declared('single', 'float'), '1,000', 1000],
    ['a comma elsewhere is no number', declared('single', 'float'), '10,00', null],
    ['a typographic minus', declared('single', 'integer'), '\u22124', -4],
    ['several', declared('multiple', 'identifier'), ['A', 'B'], ['A', 'B']],
    ['one where several could be', declared('multiple', 'identifier'), 'A', ['A']],
    ['several where one is wanted', declared('single', 'identifier'), ['A', 'B'], null],
    ['blank members do not count', declared('ordered', 'float'), ['1', '', '2'], [1, 2]],
    ['a member that cannot be read spoils all', declared('ordered', 'float'), ['1', 'x'], null],
    ['pairs', declared('multiple', 'directedPair'), ['A G1', 'B G2'], ['A G1', 'B G2']],
    ['an empty list', declared('multiple', 'identifier'), [], null],
    [
      'a record, each field by its type (QTI 3.0: numeric records of text entry), not by its looks',
      declared('record', null),
      { stringValue: '1.50', floatValue: '1.50', integerValue: '1', code: '007', c: null },
      { stringValue: '1.50', floatValue: 1.5, integerValue: 1, code: '007', c: null },
    ],
    ['a record in which nothing is given', declared('record', null), { a: null, b: '' }, null],
    ['a record where none is wanted', declared('single', 'string'), { a: '1' }, null],
    ['text where a record is wanted', declared('record', null), 'x', null],
  ])('%s', (_what, declaration, raw, expected) => {
    expect(toJson(readResponse(raw, declaration).value)).toEqual(expected);
  });
  test('a response that cannot be read says why', () => {
    expect(readResponse('12oo', declared('single', 'integer')).problem).toContain('12oo');
    expect(readResponse(['A', 'B'], declared('single', 'identifier')).problem).toContain('takes one value');
  });
  test('a correct response as the interaction would give it is read as the same value', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.stringMatching(/^[A-Z]\w{0,4}$/), { minLength: 1 }), (ids) => {
        const value = container('multiple', 'identifier', ids);
        expect(valuesEqual(readResponse(rawOf(value), declared('multiple', 'identifier')).value, value)).toBe(
          true,
        );
      }),
    );
  });
  test('nothing anybody types is an exception', () => {
    const anything = fc.oneof(
      fc.string(),
      fc.array(fc.string()),
      fc.dictionary(fc.string(), fc.string()),
      fc.constant(null),
    );
    fc.assert(
      fc.property(
        anything,
        fc.constantFrom(...BASE_TYPES),
        fc.constantFrom<Cardinality>('single', 'multiple', 'ordered', 'record'),
        (raw, type, cardinality) => {
          const { value, problem } = readResponse(raw, declared(cardinality, type));
          expect(problem === null || value === null).toBe(true);
        },
      ),
    );
  });
  test('typed numbers where a comma stands before the tenths', () => {
    const read = (text: string) => normaliseTypedNumber(text, ',');
    expect(['3,5', '-3,5', ' \u22120,25 ', '3,', ',5', '1,234'].map(read)).toEqual([
      ...['3.5', '-3.5', '-0.25', '3.', '.5', '1.234'],
    ]);
    expect(['1 234,5', '1\u202f234', '1.234,5', '12 345 678,9'].map(read)).toEqual([
      ...['1234.5', '1234', '1234.5', '12345678.9'],
    ]);
    // A point is read as it is meant everywhere; what is no number stays what it is.
    expect(['3.5', '1e3', '3,5,1', '1 23', 'drei', ''].map(read)).toEqual([
      '3.5',
      '1e3',
      '3,5,1',
      '1 23',
      'drei',
      '',
    ]);
  });
  test('typed numbers', () => {
    expect([' +3 ', '\u22121', '1,234,567.5', '1,23'].map((text) => normaliseTypedNumber(text))).toEqual([
      '+3',
      '-1',
      '1234567.5',
      '1,23',
    ]);
  });
});

describe('chance that can be repeated', () => {
  test('the same seed gives the same numbers, all in [0,1), spread evenly', () => {
    const draw = (seed: string) => Array.from({ length: 4000 }, seededRandom(seed));
    const numbers = draw('tide');
    expect(draw('tide')).toEqual(numbers);
    expect(draw('ebb')).not.toEqual(numbers);
    expect(numbers.every((x) => x >= 0 && x < 1)).toBe(true);
    const tenths = numbers.reduce(
      (counts, x) => counts.with(Math.floor(x * 10), (counts[Math.floor(x * 10)] ?? 0) + 1),
      Array<number>(10).fill(0),
    );
    // 400 expected in each; five standard deviations are about 95.
    expect(Math.max(...tenths.map((count) => Math.abs(count - 400)))).toBeLessThan(95);
  });
  test('mixing keeps every member and the places of fixed ones', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ id: fc.nat(), fixed: fc.boolean() })), fc.string(), (list, seed) => {
        const mixed = shuffled(list, seededRandom(seed), (one) => one.fixed);
        expect([...mixed].sort((a, b) => a.id - b.id).map((one) => one.id)).toEqual(
          [...list].sort((a, b) => a.id - b.id).map((one) => one.id),
        );
        list.forEach((one, i) => {
          if (one.fixed) expect(mixed[i]).toBe(one);
        });
      }),
    );
  });
});
