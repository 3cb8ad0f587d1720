/** @jest-environment node */
import { readFile } from 'node:fs/promises';
import { inManner, learn, learnFormulas, mannerFor } from './engine';

/** The rules as the package brings them: what the app ships. */
const rules = (locale: string) =>
  readFile(`node_modules/speech-rule-engine/lib/mathmaps/${locale}.json`, 'utf8');
afterEach(() => jest.restoreAllMocks());
const math = (inside: string) => `<math xmlns="http://www.w3.org/1998/Math/MathML">${inside}</math>`;
const HALF = math('<mfrac><mn>1</mn><mn>2</mn></mfrac>');

test('before its rules are there a manner says nothing, and what does not come is asked for again', async () => {
  expect(inManner(HALF, 'nemeth')).toBeNull();
  await expect(learn('nemeth', () => Promise.reject(new Error('no network')))).rejects.toThrow('no network');
  expect(inManner(HALF, 'nemeth')).toBeNull();
  await learn('nemeth', rules);
  expect(inManner(HALF, 'nemeth')).not.toBeNull();
});

/**
 * Examples of the Nemeth code as its rules prescribe them: "The Nemeth Braille Code for Mathematics and Science Notation, 1972 Revision"
 * (Library of Congress): numeric indicator §9, decimal point, simple fraction §62, mixed number §63, level indicators §74, radical §103; from memory,
 * cell by cell.
 */
test.each([
  ['a number', math('<mn>12</mn>'), '⠼⠂⠆'],
  ['a simple fraction between its indicators', HALF, '⠹⠂⠌⠆⠼'],
  ['a mixed number', math('<mn>3</mn><mfrac><mn>1</mn><mn>2</mn></mfrac>'), '⠼⠒⠸⠹⠂⠌⠆⠸⠼'],
  ['a superscript', math('<msup><mi>x</mi><mn>2</mn></msup>'), '⠭⠘⠆'],
  ['a radical up to its end', math('<msqrt><mrow><mi>x</mi><mo>+</mo><mn>1</mn></mrow></msqrt>'), '⠜⠭⠬⠂⠻'],
  [
    'a decimal point, and signs of comparison between blanks',
    math('<mn>2.5</mn><mo>=</mo><mi>x</mi>'),
    '⠼⠆⠨⠢⠀⠨⠅⠀⠭',
  ],
])('%s', async (_what, formula, cells) => {
  await learn('nemeth', rules);
  expect(inManner(formula, 'nemeth')).toBe(cells);
});

test('words and cells of one engine do not get into each other’s way', async () => {
  await Promise.all([learn('nemeth', rules), learn('en', rules), learn('de', rules)]);
  const half = (n: number) => math(`<mfrac><mn>${n}</mn><mn>2</mn></mfrac>`);
  expect([
    inManner(half(1), 'en'),
    inManner(half(1), 'nemeth'),
    inManner(half(3), 'en'),
    inManner(half(1), 'de'),
    inManner(half(1), 'en'),
  ]).toEqual(['one half', '⠹⠂⠌⠆⠼', 'three halves', 'ein halb', 'one half']);
});

test('what is no formula has no words, and nothing falls over', async () => {
  await learn('en', rules);
  // The engine tells the console of it.
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  for (const broken of ['<math><mfrac>', '']) expect(inManner(broken, 'en')).toBeNull();
  expect(inManner(math('<mi>x</mi>'), 'en')).toBe('x');
});

test('a language that is not spoken this way is left to the app’s own words', async () => {
  expect(['en-US', 'DE', 'es', 'nemeth', 'constructor', ''].map(mannerFor)).toEqual([
    'en',
    'de',
    null,
    null,
    null,
    null,
  ]);
  await expect(learnFormulas('es')).resolves.toBeUndefined();
});
