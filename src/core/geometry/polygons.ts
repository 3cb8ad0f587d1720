import * as q from '../math/rational';
import { cross, distance, dot, minus, samePoint, sideOf, type Point } from './points';

const at = (ring: readonly Point[], i: number): Point => {
  const point = ring[((i % ring.length) + ring.length) % ring.length];
  if (!point) throw new RangeError('a ring of no points');
  return point;
};

/** A ring without points drawn twice in a row and without corners that are none (on a straight side). */
export function simplified(points: readonly Point[]): Point[] {
  const ring = points.filter((point, i) => i === 0 || !samePoint(point, at(points, i - 1)));
  const [first] = ring;
  const last = ring.at(-1);
  if (first && last && ring.length > 1 && samePoint(first, last)) ring.pop();
  if (ring.length < 3) return ring;
  return ring.filter((point, i) => sideOf(point, at(ring, i - 1), at(ring, i + 1)) !== 0);
}

/** Twice the signed area. */
const doubleArea = (ring: readonly Point[]): q.Rational =>
  ring.reduce((sum, point, i) => q.add(sum, cross(point, at(ring, i + 1))), q.ZERO);

/** Whether two sides that are not neighbours meet. */
function crossesItself(ring: readonly Point[]): boolean {
  const n = ring.length;
  for (let i = 0; i < n; i += 1) {
    for (let j = i + 2; j < n; j += 1) {
      if (i === 0 && j === n - 1) continue;
      const [a, b, c, d] = [at(ring, i), at(ring, i + 1), at(ring, j), at(ring, j + 1)];
      const apart = sideOf(a, c, d) * sideOf(b, c, d) > 0 || sideOf(c, a, b) * sideOf(d, a, b) > 0;
      const parallel = q.isZero(cross(minus(b, a), minus(d, c)));
      if (!apart && !parallel) return true;
    }
  }
  return false;
}

/** What a polygon is like; lengths as floats, everything that is counted is counted exactly. */
export interface PolygonProperties {
  readonly sides: number;
  readonly area: number;
  readonly perimeter: number;
  readonly rightAngles: number;
  readonly parallelPairs: number;
  /** Size of the largest group of equal sides. */
  readonly equalSides: number;
  readonly symmetryLines: number;
}

/** The properties of a simple polygon; null when its sides cross. */
export function propertiesOf(points: readonly Point[]): PolygonProperties | null {
  const given = simplified(points);
  if (given.length < 3 || given.length > 60 || crossesItself(given)) return null;
  const ring = q.sign(doubleArea(given)) < 0 ? [...given].reverse() : given;
  const n = ring.length;
  const edges = ring.map((point, i) => minus(at(ring, i + 1), point));
  const lengths = edges.map((edge) => dot(edge, edge));
  const groups = new Map<string, number>();
  for (const length of lengths)
    groups.set(`${length.n}/${length.d}`, (groups.get(`${length.n}/${length.d}`) ?? 0) + 1);
  const corners = ring.map((_point, i) => {
    const [into, out] = [at(edges, i - 1), at(edges, i)];
    return { dot: dot(into, out), cross: cross(into, out) };
  });
  let parallelPairs = 0;
  edges.forEach((edge, i) => {
    for (const other of edges.slice(i + 1)) if (q.isZero(cross(edge, other))) parallelPairs += 1;
  });
  return {
    sides: n,
    area: q.toNumber(doubleArea(ring)) / 2,
    perimeter: ring.reduce((sum, point, i) => sum + distance(point, at(ring, i + 1)), 0),
    rightAngles: corners.filter((corner) => q.isZero(corner.dot) && q.sign(corner.cross) > 0).length,
    parallelPairs,
    equalSides: Math.max(...groups.values()),
    symmetryLines: symmetryLines(lengths, corners),
  };
}

/** Each way of reading the corners backwards that gives the same polygon is one line of symmetry. */
function symmetryLines(
  lengths: readonly q.Rational[],
  corners: readonly { dot: q.Rational; cross: q.Rational }[],
): number {
  const n = corners.length;
  const wrap = (i: number) => ((i % n) + n) % n;
  let count = 0;
  for (let k = 0; k < n; k += 1) {
    const same = corners.every((corner, i) => {
      const other = corners[wrap(k - i)];
      const [length, otherLength] = [lengths[i], lengths[wrap(k - i - 1)]];
      return (
        other !== undefined &&
        length !== undefined &&
        otherLength !== undefined &&
        q.equals(corner.dot, other.dot) &&
        q.equals(corner.cross, other.cross) &&
        q.equals(length, otherLength)
      );
    });
    if (same) count += 1;
  }
  return count;
}
