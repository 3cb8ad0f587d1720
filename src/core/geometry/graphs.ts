import { readNumber } from './numbers';
import { distance, distanceToLine, dot, minus, samePoint, sideOf, type Point } from './points';
import { simplified } from './polygons';
import * as q from '../math/rational';

/** What can be drawn on a coordinate plane (items.md, `coordinate-plane`). */
export type GraphObject =
  | { readonly kind: 'POINT'; readonly points: readonly [Point] }
  | { readonly kind: 'SEGMENT' | 'LINE' | 'RAY'; readonly points: readonly [Point, Point] }
  | { readonly kind: 'POLYGON'; readonly points: readonly Point[] }
  | {
      readonly kind: 'HALFPLANE';
      readonly points: readonly [Point, Point];
      readonly inside: Point;
      readonly closed: boolean;
    };

export const readPoint = (text: string): Point | null => {
  const [first, second, ...rest] = text.trim().split(/\s+/);
  const [x, y] = [readNumber(first ?? ''), readNumber(second ?? '')];
  return x && y && rest.length === 0 ? { x, y } : null;
};

export function readPoints(text: string): Point[] | null {
  const points = text.split(',').map(readPoint);
  return points.every((point) => point !== null) ? points : null;
}

/** An object from its text, e.g. `SEGMENT(0 0,3 4)`; null when it cannot be read or is none (a line through one point). */
export function readGraphObject(text: string): GraphObject | null {
  const [, name, inside] = /^\s*([A-Z]+)\s*\(([^()]*)\)\s*$/i.exec(text.slice(0, 5000)) ?? [];
  const kind = name?.toUpperCase();
  if (kind === undefined || inside === undefined) return null;
  const [list = '', insideText, closedness, ...more] = inside.split(';');
  const points = readPoints(list);
  if (!points) return null;
  const [a, b] = points;
  const isPair = a !== undefined && b !== undefined && points.length === 2 && !samePoint(a, b);
  switch (kind) {
    case 'POINT':
      return a && points.length === 1 && insideText === undefined ? { kind, points: [a] } : null;
    case 'SEGMENT':
    case 'LINE':
    case 'RAY':
      return isPair && insideText === undefined ? { kind, points: [a, b] } : null;
    case 'POLYGON': {
      const corners = simplified(points);
      return corners.length >= 3 && insideText === undefined ? { kind, points: corners } : null;
    }
    case 'HALFPLANE': {
      const point = readPoint(insideText ?? '');
      const how = closedness?.trim().toLowerCase();
      if (
        !isPair ||
        !point ||
        (how !== 'open' && how !== 'closed') ||
        more.length > 0 ||
        sideOf(point, a, b) === 0
      )
        return null;
      return { kind, points: [a, b], inside: point, closed: how === 'closed' };
    }
    default:
      return null;
  }
}

/** Two points as good as one: exactly, or within the tolerance in either direction. */
const near = (a: Point, b: Point, tolerance: number): boolean =>
  tolerance === 0 ? samePoint(a, b) : distance(a, b) <= tolerance * (1 + 1e-12);

const onLine = (point: Point, [a, b]: readonly [Point, Point], tolerance: number): boolean =>
  tolerance === 0 ? sideOf(point, a, b) === 0 : distanceToLine(point, a, b) <= tolerance * (1 + 1e-12);

const sameLine = (a: readonly [Point, Point], b: readonly [Point, Point], tolerance: number): boolean =>
  a.every((point) => onLine(point, b, tolerance)) &&
  (tolerance === 0 || b.every((point) => onLine(point, a, tolerance)));

function sameRing(a: readonly Point[], b: readonly Point[], tolerance: number): boolean {
  if (a.length !== b.length) return false;
  const n = a.length;
  const fits = (start: number, step: 1 | -1) =>
    a.every((point, i) => {
      const other = b[(((start + step * i) % n) + n) % n];
      return other !== undefined && near(point, other, tolerance);
    });
  return a.some((_corner, start) => fits(start, 1) || fits(start, -1));
}

/** Whether two objects are the same figure (items.md, `able.graph.equal`). */
export function sameObject(a: GraphObject, b: GraphObject, tolerance: number): boolean {
  if (a.kind === 'POINT' && b.kind === 'POINT') return near(a.points[0], b.points[0], tolerance);
  if (a.kind === 'SEGMENT' && b.kind === 'SEGMENT') return sameRing(a.points, b.points, tolerance);
  if (a.kind === 'LINE' && b.kind === 'LINE') return sameLine(a.points, b.points, tolerance);
  if (a.kind === 'POLYGON' && b.kind === 'POLYGON') return sameRing(a.points, b.points, tolerance);
  if (a.kind === 'RAY' && b.kind === 'RAY') {
    const [from, to] = a.points;
    const [otherFrom, otherTo] = b.points;
    const alike = q.sign(dot(minus(to, from), minus(otherTo, otherFrom))) > 0;
    return near(from, otherFrom, tolerance) && alike && sameLine(a.points, b.points, tolerance);
  }
  if (a.kind === 'HALFPLANE' && b.kind === 'HALFPLANE') {
    const [p, r] = b.points;
    return (
      a.closed === b.closed &&
      sameLine(a.points, b.points, tolerance) &&
      sideOf(a.inside, p, r) === sideOf(b.inside, p, r)
    );
  }
  return false;
}

/** Graph answers are sets: an object drawn twice counts once. Null when one cannot be read. */
export function readGraph(texts: readonly string[], tolerance = 0): GraphObject[] | null {
  if (texts.length > 200) return null;
  const objects: GraphObject[] = [];
  for (const text of texts) {
    const object = readGraphObject(text);
    if (!object) return null;
    if (!objects.some((other) => sameObject(object, other, tolerance))) objects.push(object);
  }
  return objects;
}

/** Whether two sets hold the same objects. False for what cannot be read. */
export function sameGraph(answer: readonly string[], reference: readonly string[], tolerance = 0): boolean {
  const [left, right] = [readGraph(answer, tolerance), readGraph(reference, tolerance)];
  if (!left || !right || left.length !== right.length) return false;
  const rest = [...right];
  return left.every((object) => {
    const at = rest.findIndex((other) => sameObject(object, other, tolerance));
    if (at >= 0) rest.splice(at, 1);
    return at >= 0;
  });
}
