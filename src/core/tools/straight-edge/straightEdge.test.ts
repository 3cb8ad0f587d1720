import { nextTick, readingOf, snapped } from '.';

const ticks = [
  { at: 100, words: '0' },
  { at: 50, words: '−5' },
  { at: 150, words: '5' },
];

test('a line is drawn to a tick that is near, and stays where it is between', () => {
  expect(snapped(104, ticks, 7)).toBe(100);
  expect(snapped(108, ticks, 7)).toBe(108);
  expect(snapped(10, [], 7)).toBe(10);
});
test('it reads what it stands on, what it stands between, and what it is beyond', () => {
  expect(readingOf(100.3, ticks)).toEqual({ kind: 'on', words: '0' });
  expect(readingOf(120, ticks)).toEqual({ kind: 'between', before: '0', after: '5' });
  expect(readingOf(20, ticks)).toEqual({ kind: 'beyond', words: '−5' });
  expect(readingOf(180, ticks)).toEqual({ kind: 'beyond', words: '5' });
  expect(readingOf(20, [])).toBeNull();
});
test('keys go from tick to tick, and nowhere beyond the last', () => {
  expect(nextTick(100, ticks, 1)).toBe(150);
  expect(nextTick(100, ticks, -1)).toBe(50);
  expect(nextTick(120, ticks, -1)).toBe(100);
  expect(nextTick(150, ticks, 1)).toBeNull();
});
test('a mark without a label is drawn to and not read out: it may be what is asked', () => {
  const marks = [...ticks, { at: 125, words: '' }];
  expect(snapped(122, marks, 7)).toBe(125);
  expect(nextTick(100, marks, 1)).toBe(125);
  expect(readingOf(125, marks)).toEqual({ kind: 'between', before: '0', after: '5' });
});
