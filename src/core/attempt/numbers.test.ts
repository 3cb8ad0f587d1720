import { numberRanges } from './numbers';

test.each([
  [[22, 30, 39], '22, 30, 39'],
  [[1, 2, 3, 4, 5], '1\u20135'],
  [[5, 4, 9, 3], '3\u20135, 9'],
  [[7, 8], '7\u20138'],
  [[12], '12'],
  [[], ''],
])('%j', (numbers, words) => {
  expect(numberRanges(numbers)).toBe(words);
});
