import { unitAt, unitBeside, unitsOf } from './units';

const TEXT = 'Tide. The boat, “Gull”, left at 6.30.Low Island3.5';
const BLOCKS = [0, TEXT.indexOf('Low'), TEXT.indexOf('3.5')];
const words = (unit: 'word' | 'sentence' | 'paragraph') =>
  unitsOf(TEXT, BLOCKS, unit, 'en').map(({ start, end }) => TEXT.slice(start, end));

test('words without their commas and quotes, never over the end of a paragraph', () => {
  expect(words('word')).toEqual([
    'Tide',
    'The',
    'boat',
    'Gull',
    'left',
    'at',
    '6.30',
    'Low',
    'Island',
    '3.5',
  ]);
});
test('sentences, a heading and a cell being sentences of their own', () => {
  expect(words('sentence')).toEqual(['Tide.', 'The boat, “Gull”, left at 6.30.', 'Low Island', '3.5']);
});
test('paragraphs', () => {
  expect(words('paragraph')).toEqual(['Tide. The boat, “Gull”, left at 6.30.', 'Low Island', '3.5']);
});
test('from a place on, and from one to the next', () => {
  const list = unitsOf(TEXT, BLOCKS, 'word', 'en');
  const text = (one: { start: number; end: number } | null) => one && TEXT.slice(one.start, one.end);
  const boat = unitAt(list, TEXT.indexOf('oat'));
  expect(text(boat)).toBe('boat');
  expect(text(unitAt(list, TEXT.indexOf(', “')))).toBe('Gull');
  if (!boat) throw new Error('no word');
  expect(text(unitBeside(list, boat, 1))).toBe('Gull');
  expect(text(unitBeside(list, boat, -1))).toBe('The');
  expect(unitBeside(list, { start: 0, end: 4 }, -1)).toBeNull();
  expect(text(unitAt(list, 10_000))).toBe('3.5');
  expect(unitAt([], 0)).toBeNull();
});
