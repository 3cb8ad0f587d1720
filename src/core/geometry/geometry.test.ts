import { sameGraph, readGraphObject } from './graphs';
import { sameIntervals } from './intervals';
import { isFractionShaded, isFullRectangle } from './partitions';
import { propertiesOf } from './polygons';

describe('intervals are sets of numbers', () => {
  test.each([
    ['(-inf,2)U[5,7]', '[5,7] U (-infinity,2)', true],
    ['(-∞,2)∪[5,7]', '(-\\infty,2)\\cup[5,7]', true],
    ['[1,3]U[2,5]', '[1,5]', true],
    ['[1,2)U[2,3]', '[1,3]', true],
    ['[1,2)U(2,3]', '[1,3]', false],
    ['(0,1/2]', '(0,0.5]', true],
    ['(0,1)', '(0,1]', false],
    ['[2,2]', '[2,2]', true],
    ['(2,2)', '(2,2)', false],
    ['(5,3)', '(5,3)', false],
    ['[-inf,2]', '(-inf,2]', false],
    ['(-inf,inf)', '(-infinity,infinity)', true],
    ['2 to 5', '[2,5]', false],
    ['', '[2,5]', false],
  ])('%s and %s: %s', (a, b, same) => {
    expect(sameIntervals(a, b)).toBe(same);
    expect(sameIntervals(b, a)).toBe(same);
  });
});

describe('graphs are sets of figures', () => {
  const table: [string[], string[], boolean, number?][] = [
    [['POINT(2 3)', 'POINT(1 1)'], ['POINT(1 1)', 'POINT(2 3)'], true],
    [['POINT(2 3)', 'POINT(2 3)'], ['POINT(2 3)'], true],
    [['POINT(0.5 1)'], ['POINT(1/2 1)'], true],
    [['SEGMENT(0 0,3 4)'], ['SEGMENT(3 4,0 0)'], true],
    [['SEGMENT(0 0,3 4)'], ['LINE(0 0,3 4)'], false],
    [['LINE(0 1,2 5)'], ['LINE(1 3,-1 -1)'], true],
    [['LINE(0 1,2 5)'], ['LINE(0 1,2 6)'], false],
    [['RAY(0 0,1 1)'], ['RAY(0 0,5 5)'], true],
    [['RAY(0 0,1 1)'], ['RAY(0 0,-1 -1)'], false],
    [['RAY(0 0,1 1)'], ['RAY(1 1,2 2)'], false],
    [['POLYGON(0 0,4 0,4 3)'], ['POLYGON(4 3,4 0,0 0)'], true],
    [['POLYGON(0 0,4 0,4 3)'], ['POLYGON(4 0,4 3,0 0,4 0)'], true],
    [['POLYGON(0 0,2 0,4 0,4 3)'], ['POLYGON(0 0,4 0,4 3)'], true],
    [['POLYGON(0 0,4 0,4 3)'], ['POLYGON(0 0,4 0,4 4)'], false],
    [['HALFPLANE(0 1,2 5;0 0;open)'], ['HALFPLANE(1 3,-1 -1;5 0;open)'], true],
    [['HALFPLANE(0 1,2 5;0 0;open)'], ['HALFPLANE(0 1,2 5;0 0;closed)'], false],
    [['HALFPLANE(0 1,2 5;0 0;open)'], ['HALFPLANE(0 1,2 5;0 9;open)'], false],
    [['POINT(2.05 3)'], ['POINT(2 3)'], false],
    [['POINT(2.05 3)'], ['POINT(2 3)'], true, 0.1],
    [['LINE(1 1,1 1)'], ['LINE(1 1,1 1)'], false],
    [['CIRCLE(1 1)'], ['CIRCLE(1 1)'], false],
  ];
  test.each(table.map(([a, b, same, tolerance = 0]) => ({ a, b, same, tolerance })))(
    '$a and $b: $same',
    ({ a, b, same, tolerance }) => {
      expect(sameGraph(a, b, tolerance)).toBe(same);
      expect(sameGraph(b, a, tolerance)).toBe(same);
    },
  );
});

/** Properties of named shapes, as school books give them (common practice, no source). */
describe('shapes', () => {
  test.each([
    [
      'square',
      '0 0,2 0,2 2,0 2',
      { sides: 4, area: 4, perimeter: 8, rightAngles: 4, parallelPairs: 2, equalSides: 4, symmetryLines: 4 },
    ],
    [
      'tilted square',
      '1 0,2 1,1 2,0 1',
      { sides: 4, area: 2, rightAngles: 4, equalSides: 4, symmetryLines: 4 },
    ],
    [
      'rectangle',
      '0 0,5 0,5 2,0 2',
      { area: 10, perimeter: 14, rightAngles: 4, equalSides: 2, symmetryLines: 2 },
    ],
    [
      'parallelogram',
      '0 0,4 0,5 2,1 2',
      { rightAngles: 0, parallelPairs: 2, equalSides: 2, symmetryLines: 0 },
    ],
    ['rhombus', '0 0,2 1,4 0,2 -1', { equalSides: 4, rightAngles: 0, symmetryLines: 2 }],
    ['kite', '0 0,1 2,0 3,-1 2', { equalSides: 2, parallelPairs: 0, symmetryLines: 1 }],
    ['isosceles trapezoid', '0 0,6 0,4 2,2 2', { parallelPairs: 1, equalSides: 2, symmetryLines: 1 }],
    [
      '3-4-5 triangle',
      '0 0,4 0,4 3',
      { sides: 3, area: 6, perimeter: 12, rightAngles: 1, equalSides: 1, symmetryLines: 0 },
    ],
    ['L shape', '0 0,2 0,2 1,1 1,1 2,0 2', { sides: 6, area: 3, rightAngles: 5, symmetryLines: 1 }],
  ])('%s', (_name, corners, expected) => {
    const object = readGraphObject(`POLYGON(${corners})`);
    const backwards = readGraphObject(`POLYGON(${corners.split(',').reverse().join(',')})`);
    if (!object || !backwards) throw new Error('no polygon');
    expect(propertiesOf(object.points)).toMatchObject(expected);
    expect(propertiesOf(backwards.points)).toMatchObject(expected);
  });
  test('a bow tie is no polygon', () => {
    const object = readGraphObject('POLYGON(0 0,2 2,2 0,0 2)');
    expect(object && propertiesOf(object.points)).toBeNull();
  });
});

test('shaded parts', () => {
  const shaded = (on: number, of: number) => Array.from({ length: of }, (_, i) => i < on);
  expect(isFractionShaded(shaded(1, 6), '1/6', 'exact')).toBe(true);
  expect(isFractionShaded(shaded(2, 12), '1/6', 'exact')).toBe(false);
  expect(isFractionShaded(shaded(2, 12), '1/6', 'equivalent')).toBe(true);
  expect(isFractionShaded(shaded(2, 6), '1/6', 'equivalent')).toBe(false);
  expect(isFractionShaded([], '1/6', 'equivalent')).toBe(false);
  expect(isFractionShaded(shaded(1, 6), 'a sixth', 'exact')).toBe(false);
});

test('cells that form a rectangle', () => {
  expect(isFullRectangle(['r1c1', 'r1c2', 'r2c1', 'r2c2', 'r3c1', 'r3c2'], 6)).toBe(true);
  expect(isFullRectangle(['r1c1', 'r1c2', 'r2c1', 'r3c3'], 4)).toBe(false);
  expect(isFullRectangle(['r1c1', 'r1c2'], 3)).toBe(false);
  expect(isFullRectangle(['r1c1', 'r1c1', 'r1c2'], 2)).toBe(true);
  expect(isFullRectangle(['x'], 1)).toBe(false);
});
