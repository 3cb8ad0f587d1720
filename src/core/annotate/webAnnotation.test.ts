import fc from 'fast-check';
import { fromWebAnnotations, toWebAnnotations, type Marks } from './webAnnotation';

const MARKS: Marks = {
  'stimulus:the-short-light': [{ start: 4, end: 9, exact: 'ferry', colour: 'kelp' }],
};

test('one annotation a mark, as the Web Annotation Data Model has them (§4.2.4, §4.2.5)', () => {
  expect(toWebAnnotations(MARKS, 'a1')).toEqual([
    {
      '@context': 'http://www.w3.org/ns/anno.jsonld',
      id: 'urn:able-compass:mark:a1:stimulus%3Athe-short-light:4-9',
      type: 'Annotation',
      motivation: 'highlighting',
      body: { type: 'TextualBody', purpose: 'tagging', value: 'kelp' },
      target: {
        source: 'urn:able-compass:text:stimulus%3Athe-short-light',
        selector: [
          { type: 'TextPositionSelector', start: 4, end: 9 },
          { type: 'TextQuoteSelector', exact: 'ferry' },
        ],
      },
    },
  ]);
});
test('written and read again, they are the same', () => {
  const mark = fc
    .record({
      start: fc.nat(9_000),
      length: fc.integer({ min: 1, max: 90 }),
      exact: fc.string(),
      colour: fc.string(),
    })
    .map(({ start, length, exact, colour }) => ({ start, end: start + length, exact, colour }));
  const name = fc.string({ minLength: 1 }).filter((text) => text !== '__proto__');
  const marks = fc.dictionary(name, fc.array(mark, { minLength: 1, maxLength: 4 }), {
    noNullPrototype: true,
  });
  fc.assert(
    fc.property(marks, (all) => {
      const json: unknown = JSON.parse(JSON.stringify(toWebAnnotations(all, 'any')));
      expect(fromWebAnnotations(json)).toEqual(all);
    }),
  );
});
test.each([
  ['no list', {}],
  ['another motivation', [{ ...toWebAnnotations(MARKS, 'a')[0], motivation: 'commenting' }]],
  [
    'a text of somebody else',
    [{ ...toWebAnnotations(MARKS, 'a')[0], target: { source: 'https://x.test', selector: [] } }],
  ],
  [
    'no place',
    [{ ...toWebAnnotations(MARKS, 'a')[0], target: { source: 'urn:able-compass:text:t', selector: [] } }],
  ],
])('%s is refused', (_name, json) => {
  expect(() => fromWebAnnotations(json)).toThrow();
});
