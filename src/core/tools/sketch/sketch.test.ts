import fc from 'fast-check';
import { keptPoints, MOST_POINTS, shownPoints } from '.';

const ORIGIN = { x: 100, y: 50 };

test('a stroke on a figure grows with the figure', () => {
  const kept = keptPoints(
    [
      { x: 110, y: 60 },
      { x: 150, y: 60 },
    ],
    ORIGIN,
    200,
    'pencil',
  );
  expect(shownPoints(kept, ORIGIN, 200)).toEqual([
    { x: 110, y: 60 },
    { x: 150, y: 60 },
  ]);
  expect(shownPoints(kept, { x: 0, y: 0 }, 400)).toEqual([
    { x: 20, y: 20 },
    { x: 100, y: 20 },
  ]);
});
test.each([
  [
    'a straight line is its two ends',
    'line',
    [
      [100, 50],
      [130, 90],
      [120, 50],
    ],
  ],
  [
    'points that a trembling hand adds are left out',
    'pencil',
    [
      [100, 50],
      [100.4, 50.4],
      [120, 50],
    ],
  ],
] as const)('%s', (_name, kind, points) => {
  const drawn = points.map(([x, y]) => ({ x, y }));
  expect(keptPoints(drawn, ORIGIN, 20, kind)).toEqual([0, 0, 1000, 0]);
});
test('however long a stroke is, it is bounded, and begins and ends where it did', () => {
  const point = fc.record({ x: fc.integer({ min: 0, max: 2_000 }), y: fc.integer({ min: 0, max: 2_000 }) });
  fc.assert(
    fc.property(fc.array(point, { minLength: 1, maxLength: 3_000 }), (points) => {
      const shown = shownPoints(keptPoints(points, ORIGIN, 16, 'pencil'), ORIGIN, 16);
      expect(shown.length).toBeLessThanOrEqual(MOST_POINTS);
      expect(
        Math.hypot((shown[0]?.x ?? 0) - (points[0]?.x ?? 0), (shown[0]?.y ?? 0) - (points[0]?.y ?? 0)),
      ).toBeLessThan(0.1);
    }),
    { numRuns: 50 },
  );
});
