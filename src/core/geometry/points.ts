import * as q from '../math/rational';
import type { Rational } from '../math/rational';

/** A point with exact coordinates. */
export interface Point {
  readonly x: Rational;
  readonly y: Rational;
}

export const minus = (a: Point, b: Point): Point => ({ x: q.subtract(a.x, b.x), y: q.subtract(a.y, b.y) });
/** Twice the signed area of the triangle of two vectors. */
export const cross = (a: Point, b: Point): Rational => q.subtract(q.multiply(a.x, b.y), q.multiply(a.y, b.x));
export const dot = (a: Point, b: Point): Rational => q.add(q.multiply(a.x, b.x), q.multiply(a.y, b.y));
export const samePoint = (a: Point, b: Point): boolean => q.equals(a.x, b.x) && q.equals(a.y, b.y);
/** Which side of the line from a to b the point lies on: 1 left, −1 right, 0 on it. */
export const sideOf = (point: Point, a: Point, b: Point): number =>
  q.sign(cross(minus(b, a), minus(point, a)));

/** Distance as a float, for tolerances only. */
export const distance = (a: Point, b: Point): number =>
  Math.hypot(q.toNumber(q.subtract(a.x, b.x)), q.toNumber(q.subtract(a.y, b.y)));
/** Distance of a point from the line through a and b, as a float. */
export const distanceToLine = (point: Point, a: Point, b: Point): number =>
  Math.abs(q.toNumber(cross(minus(b, a), minus(point, a)))) / distance(a, b);
