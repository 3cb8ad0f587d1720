/**
 * Where a stroke holds on to: a figure (then it grows with it), or a letter of the text (then it stays on the words wherever
 * they go).
 */
export type Hold =
  { readonly on: 'figure'; readonly index: number } | { readonly on: 'letter'; readonly letter: number };

/** A line drawn by hand, or straight from one point to another. */
export interface Stroke {
  readonly hold: Hold;
  readonly kind: 'pencil' | 'line';
  readonly colour: SketchColour;
  readonly width: number;
  /** x, y, x, y … in thousandths: of the figure's width, or of a rem from the letter's upper left corner. */
  readonly points: readonly number[];
}
export const SKETCH_COLOURS = ['ink', 'accent', 'flag', 'here'] as const;
export type SketchColour = (typeof SKETCH_COLOURS)[number];
/** In rem. */
export const SKETCH_WIDTHS = [0.125, 0.25, 0.5] as const;
/** Points of one stroke, and strokes of one question: more than a hand draws. */
export const MOST_POINTS = 500;
export const MOST_STROKES = 200;

interface Point {
  readonly x: number;
  readonly y: number;
}

/**
 * A stroke's points as they are kept: none nearer to the last than a step, and never more than fit; a straight line is its two ends.
 * @param unit of the points, in pixels (a figure's width, or a rem)
 * @param step in pixels
 */
export function keptPoints(
  points: readonly Point[],
  origin: Point,
  unit: number,
  kind: Stroke['kind'],
  step = 1.5,
): readonly number[] {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last || unit <= 0) return [];
  const kept: Point[] = [first];
  if (kind === 'line') kept.push(last);
  else
    for (const point of points.slice(1)) {
      const before = kept.at(-1) ?? first;
      if (Math.hypot(point.x - before.x, point.y - before.y) >= step) kept.push(point);
    }
  // A very long stroke keeps every n-th point, and its end.
  const every = Math.ceil(kept.length / (MOST_POINTS - 1));
  const thinned = every > 1 ? [...kept.filter((_point, i) => i % every === 0), last] : kept;
  return thinned.flatMap(({ x, y }) => [
    Math.round(((x - origin.x) / unit) * 1000),
    Math.round(((y - origin.y) / unit) * 1000),
  ]);
}

/** A stroke's points on the screen again. */
export function shownPoints(points: readonly number[], origin: Point, unit: number): readonly Point[] {
  return Array.from({ length: Math.floor(points.length / 2) }, (_, i) => ({
    x: origin.x + ((points[2 * i] ?? 0) / 1000) * unit,
    y: origin.y + ((points[2 * i + 1] ?? 0) / 1000) * unit,
  }));
}
