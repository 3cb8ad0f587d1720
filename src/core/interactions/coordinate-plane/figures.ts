import { readPoint, readPoints } from '../../geometry/graphs';
import * as q from '../../math/rational';
import type { Said, SaidNumber } from '../types';

/** The tools of the plane, in the words of `data-tools`. */
export const PLANE_TOOLS = ['point', 'segment', 'line', 'ray', 'polygon', 'halfplane'] as const;
export type PlaneTool = (typeof PLANE_TOOLS)[number];

export interface PlanePoint {
  readonly x: number;
  readonly y: number;
}
/** One thing drawn, with its handles. Written and read back without loss (items.md, `coordinate-plane`). */
export interface Figure {
  readonly tool: PlaneTool;
  readonly points: readonly PlanePoint[];
  /** Half-planes only: a point of the shaded side, and whether the boundary belongs to it. */
  readonly inside?: PlanePoint;
  readonly closed?: boolean;
}

/** A figure being drawn: the handles set so far. */
export interface Begun {
  readonly tool: PlaneTool;
  readonly points: readonly PlanePoint[];
}

/** Most corners of a shape. */
export const MAX_CORNERS = 100;

/** Handles a figure has; polygons take three or more. */
export const HANDLES: Readonly<Record<PlaneTool, number>> = {
  point: 1,
  segment: 2,
  line: 2,
  ray: 2,
  polygon: 3,
  halfplane: 2,
};

const clean = (value: number): string => {
  const text = String(Number(value.toPrecision(12)));
  return text === '-0' ? '0' : text;
};
const pointText = ({ x, y }: PlanePoint): string => `${clean(x)} ${clean(y)}`;

/** The text of a figure: `SEGMENT(0 0,3 4)`, `HALFPLANE(0 1,2 5;0 0;open)`. */
export function figureText({ tool, points, inside, closed }: Figure): string {
  const list = points.map(pointText).join(',');
  const side = tool === 'halfplane' && inside ? `;${pointText(inside)};${closed ? 'closed' : 'open'}` : '';
  return `${tool.toUpperCase()}(${list}${side})`;
}

const toNumbers = (point: { x: q.Rational; y: q.Rational }): PlanePoint => ({
  x: q.toNumber(point.x),
  y: q.toNumber(point.y),
});

/** The figure a text draws, every corner kept; null when it cannot be read. */
export function readFigure(text: string): Figure | null {
  const [, name, body] = /^\s*([A-Z]+)\s*\(([^()]*)\)\s*$/i.exec(text.slice(0, 5000)) ?? [];
  const tool = PLANE_TOOLS.find((one) => one === name?.toLowerCase());
  if (!tool || body === undefined) return null;
  const [list = '', insideText, how] = body.split(';');
  const exact = readPoints(list);
  const wanted = HANDLES[tool];
  if (!exact || (tool === 'polygon' ? exact.length < wanted : exact.length !== wanted)) return null;
  const points = exact.map(toNumbers);
  if (tool !== 'halfplane') return { tool, points };
  const inside = insideText === undefined ? null : readPoint(insideText);
  return inside && { tool, points, inside: toNumbers(inside), closed: how?.trim() === 'closed' };
}

/** A figure being drawn as `begun.ts` keeps it: `polygon 0 0,4 0`. */
export const beganText = ({ tool, points }: Begun): string => `${tool} ${points.map(pointText).join(',')}`;

/** Reads it back; null when it is none. */
export function readBegun(text: string): Begun | null {
  const [, name, list = ''] = /^\s*([a-z]+)\s+([^]*)$/i.exec(text.slice(0, 5000)) ?? [];
  const tool = PLANE_TOOLS.find((one) => one === name);
  const points = readPoints(list);
  return tool && points ? { tool, points: points.map(toNumbers) } : null;
}

/** Whether the handles are some of a figure and not all: different ones, too few for anything but an open shape or edge. */
export function isBegun({ tool, points }: Begun): boolean {
  const most = { point: 0, segment: 1, line: 1, ray: 1, polygon: MAX_CORNERS, halfplane: 2 }[tool];
  return points.length > 0 && points.length <= most && areDistinct(points);
}

/** Whether two points are one, but for the noise of floats. */
export const samePlace = (a: PlanePoint, b: PlanePoint): boolean =>
  Math.abs(a.x - b.x) < 1e-9 && Math.abs(a.y - b.y) < 1e-9;

const areDistinct = (points: readonly PlanePoint[]): boolean =>
  points.every((point, i) => !points.slice(i + 1).some((other) => samePlace(point, other)));

/** Which side of the line through a and b a point lies on: above 0 on one, below on the other, 0 on the line. */
export const sideOfLine = (point: PlanePoint, a: PlanePoint, b: PlanePoint): number =>
  (b.x - a.x) * (point.y - a.y) - (b.y - a.y) * (point.x - a.x);

/** Whether the handles make a figure: two different points for a line, no corner twice for a polygon. */
export function isFigure({ tool, points, inside }: Figure): boolean {
  if (points.length < HANDLES[tool]) return false;
  const [a, b] = points;
  if (!areDistinct(points)) return false;
  if (tool !== 'halfplane') return true;
  return a !== undefined && b !== undefined && inside !== undefined && sideOfLine(inside, a, b) !== 0;
}

/**
 * Moves a handle. A half-plane keeps its shaded side as it was seen; where the moved boundary would run through the inside
 * point, that point steps off it.
 */
export function moveHandle(figure: Figure, index: number, to: PlanePoint): Figure {
  const points = figure.points.map((point, i) => (i === index ? to : point));
  const [a, b] = figure.points;
  const [c, d] = points;
  if (figure.tool !== 'halfplane' || !a || !b || !c || !d || !figure.inside) return { ...figure, points };
  const side = Math.sign(sideOfLine(figure.inside, a, b));
  return { ...figure, points, inside: insideOf(c, d, side) };
}

/** A point on one side (`1` left of a→b, `-1` right) of the line, a little off its middle. */
export function insideOf(a: PlanePoint, b: PlanePoint, side: number): PlanePoint {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  return { x: a.x - side * dy, y: a.y + side * dx };
}

/** Shades the other side. */
export function otherSide(figure: Figure): Figure {
  const [a, b] = figure.points;
  if (!a || !b || !figure.inside) return figure;
  return { ...figure, inside: insideOf(a, b, -Math.sign(sideOfLine(figure.inside, a, b))) };
}

/** A number of the plane as it is written, with the typographic minus sign. */
export const written = (value: number): string => String(Number(value.toPrecision(8))).replace('-', '\u2212');

/** A point as it is written: `(−1, 2.5)`. */
export const pointWords = ({ x, y }: PlanePoint): string => `(${written(x)}, ${written(y)})`;

const saidPlaces = (points: readonly PlanePoint[]): SaidNumber => ({
  number: points.map(pointWords).join(', '),
});

/** A figure as it is said: its kind and its points; of a half-plane also the side, as it is seen, and whether its edge belongs to it. */
export function saidFigure({ tool, points, inside, closed }: Figure): Said {
  const [a, b] = points;
  const values = {
    count: points.length,
    corners: saidPlaces(points),
    a: saidPlaces(points.slice(0, 1)),
    b: saidPlaces(points.slice(1, 2)),
  };
  if (tool !== 'halfplane' || !a || !b) return { code: `figure.${tool}`, values };
  // Above or below the boundary; right or left of it where it stands upright.
  const upright = Math.abs(b.x - a.x) < 1e-9;
  const left = inside ? sideOfLine(inside, a, b) > 0 : true;
  const side = upright
    ? (b.y > a.y ? left : !left)
      ? 'left'
      : 'right'
    : (b.x > a.x ? left : !left)
      ? 'above'
      : 'below';
  return { code: 'figure.halfplane', values: { ...values, side, edge: closed ? 'closed' : 'open' } };
}

/** What is being drawn and not finished. */
export const saidBegun = ({ tool, points }: Begun): Said => ({
  code: `begun.${tool}`,
  values: { points: saidPlaces(points) },
});
