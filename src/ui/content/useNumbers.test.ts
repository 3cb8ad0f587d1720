import { readTypedPoint } from '@/core/interactions/coordinate-plane';
import { numbersOf } from './useNumbers';

describe('numbers where a comma stands before the tenths', () => {
  const { show, read, readPoint } = numbersOf(',');
  test.each([
    ['2.5', '2,5'],
    ['\u22120.25', '\u22120,25'],
    ['7', '7'],
    ['1 1/2', '1 1/2'],
    ['Segment from (0, 0.5) to (3, 4)', 'Segment from (0; 0,5) to (3; 4)'],
    ['one, two. three', 'one, two. three'],
  ])('%s is shown as %s', (text, shown) => {
    expect(show(text)).toBe(shown);
  });
  test.each([
    ['2,5', '2.5'],
    ['2.5', '2.5'],
    ['\u22122,5', '-2.5'],
    ['1/2', '1/2'],
  ])('%s typed is %s', (typed, meant) => {
    expect(read(typed)).toBe(meant);
  });
  test.each([
    ['1,5; 2', { x: 1.5, y: 2 }],
    ['(1,5; 2,25)', { x: 1.5, y: 2.25 }],
    ['1,5 2', { x: 1.5, y: 2 }],
    ['-1,5 \u22122,5', { x: -1.5, y: -2.5 }],
    // Two whole numbers are parted by a comma everywhere.
    ['1, 5', { x: 1, y: 5 }],
    ['(1,5)', { x: 1, y: 5 }],
    ['1.5, 2', { x: 1.5, y: 2 }],
    ['1,5', { x: 1, y: 5 }],
    ['1', null],
  ])('the point %s', (typed, point) => {
    expect(readTypedPoint(readPoint(typed))).toEqual(point);
  });
});

describe('maths where a comma stands before the tenths', () => {
  const { showMaths, readMaths } = numbersOf(',');
  test.each([
    ['3.5x', '3{,}5x'],
    ['\\frac{1.5}{2}', '\\frac{1{,}5}{2}'],
    ['x^{.5}', 'x^{{,}5}'],
    [
      '\\begin{aligned}x&=2.5\\\\\\text{at 9.30 \\{sharp\\}}\\end{aligned}',
      '\\begin{aligned}x&=2{,}5\\\\\\text{at 9.30 \\{sharp\\}}\\end{aligned}',
    ],
  ])('%s is drawn as %s', (latex, drawn) => {
    expect(showMaths(latex)).toBe(drawn);
    expect(readMaths(drawn)).toBe(latex);
  });
  test.each([
    ['3,5', '3.5'],
    ['3.5', '3.5'],
    ['sqrt(2,25) + ,5', 'sqrt(2.25) + .5'],
  ])('%s as it is typed is %s', (typed, kept) => {
    expect(readMaths(typed)).toBe(kept);
  });
});

test('where a point stands there, nothing changes', () => {
  const { show, read, readPoint, showMaths, readMaths } = numbersOf('.');
  expect([show('(0, 0.5)'), read('1,000.5'), readPoint('1,5')]).toEqual(['(0, 0.5)', '1,000.5', '1,5']);
  expect([showMaths('1.5'), readMaths('1,000')]).toEqual(['1.5', '1,000']);
});
