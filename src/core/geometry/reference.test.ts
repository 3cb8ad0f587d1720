import Flatten from '@flatten-js/core';
import fc from 'fast-check';
import { isInside } from './areas';
import { readGraphObject, sameGraph } from './graphs';
import { propertiesOf } from './polygons';

/**
 * Against @flatten-js/core, a general-purpose library of plane geometry from the registry: areas, perimeters, points inside
 * polygons, points on lines. It works with floats, ours is exact; agreement is asked for to nine digits.
 */
const { point, line, Polygon, circle } = Flatten;
const whole = fc.integer({ min: -12, max: 12 });
const corner = fc.tuple(whole, whole);

/** A simple polygon: distinct points of the plane sorted around their middle. */
const ring = fc
  .uniqueArray(corner, { minLength: 3, maxLength: 9, selector: ([x, y]) => `${x} ${y}` })
  .map((corners) => {
    const middle = corners.reduce(
      ([a, b], [x, y]) => [a + x / corners.length, b + y / corners.length],
      [0.0137, 0.0171],
    );
    return [...corners].sort(
      ([a, b], [c, d]) =>
        Math.atan2(b - (middle[1] ?? 0), a - (middle[0] ?? 0)) -
        Math.atan2(d - (middle[1] ?? 0), c - (middle[0] ?? 0)),
    );
  });
const textOf = (corners: readonly (readonly [number, number])[]) =>
  `POLYGON(${corners.map(([x, y]) => `${x} ${y}`).join(',')})`;
const close = (a: number, b: number) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(a), Math.abs(b)));

const lengthOf = (polygon: InstanceType<typeof Polygon>): number =>
  ([...polygon.edges] as { length: number }[]).reduce((sum, edge) => sum + edge.length, 0);

test('areas and perimeters of polygons', () => {
  let compared = 0;
  fc.assert(
    fc.property(ring, (corners) => {
      const object = readGraphObject(textOf(corners));
      const ours = object && propertiesOf(object.points);
      const theirs = new Polygon(corners.map(([x, y]) => point(x, y)));
      fc.pre(ours !== null && theirs.isValid());
      compared += 1;
      close(ours?.area ?? NaN, theirs.area());
      close(ours?.perimeter ?? NaN, lengthOf(theirs));
    }),
    { numRuns: 300 },
  );
  expect(compared).toBeGreaterThan(100);
});

test('points inside a polygon, edges included', () => {
  fc.assert(
    fc.property(ring, corner, (corners, [x, y]) => {
      const theirs = new Polygon(corners.map(([a, b]) => point(a, b)));
      const object = readGraphObject(textOf(corners));
      fc.pre(theirs.isValid() && object !== null && propertiesOf(object.points) !== null);
      expect(isInside('poly', corners.flat(), [x, y])).toBe(theirs.contains(point(x, y)));
    }),
    { numRuns: 300 },
  );
});

test('points inside a circle', () => {
  fc.assert(
    fc.property(corner, fc.integer({ min: 1, max: 12 }), corner, ([a, b], r, [x, y]) => {
      expect(isInside('circle', [a, b, r], [x, y])).toBe(circle(point(a, b), r).contains(point(x, y)));
    }),
  );
});

test('two lines are the same when the library says that the points of one lie on the other', () => {
  fc.assert(
    fc.property(corner, corner, corner, corner, ([a, b], [c, d], [e, f], [g, h]) => {
      fc.pre((a !== c || b !== d) && (e !== g || f !== h));
      const theirs = line(point(a, b), point(c, d));
      const same = theirs.contains(point(e, f)) && theirs.contains(point(g, h));
      expect(sameGraph([`LINE(${a} ${b},${c} ${d})`], [`LINE(${e} ${f},${g} ${h})`])).toBe(same);
      // A point moved along the line is still the line.
      const [p, q] = [a + 3 * (c - a), b + 3 * (d - b)];
      expect(sameGraph([`LINE(${a} ${b},${c} ${d})`], [`LINE(${c} ${d},${p} ${q})`])).toBe(true);
    }),
    { numRuns: 300 },
  );
});
