import type { CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import { sideOfLine, type Figure, type PlanePoint } from '@/core/interactions/coordinate-plane/figures';
import type { Measured } from '../../kit/useWidth';

/** What the grid is drawn by. */
export type PlaneAxes = Pick<CoordinatePlaneModel, 'x' | 'y'>;

export interface Pixel {
  readonly x: number;
  readonly y: number;
}
/** The plane at the size there is room for. */
export interface PlaneGeometry {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly left: number;
  readonly top: number;
  readonly innerWidth: number;
  readonly innerHeight: number;
  readonly toPixel: (point: PlanePoint) => Pixel;
  readonly toPlane: (pixel: Pixel) => PlanePoint;
}

/** Units are equally long on both axes unless the axes are too different for that (hours against kilometres). */
export function planeGeometry(
  { x, y }: PlaneAxes,
  { width: room, scale }: Measured,
  tallest: number,
): PlaneGeometry {
  const [left, right, top, bottom] = [46 * scale, 22 * scale, 22 * scale, 40 * scale];
  const ratio = (y.max - y.min) / (x.max - x.min);
  const shape = ratio >= 0.4 && ratio <= 2.5 ? ratio : 0.75;
  const widest = Math.max(120, (tallest - top - bottom) / shape);
  const innerWidth = Math.max(120, Math.min(room - left - right, widest));
  const innerHeight = innerWidth * shape;
  const perX = innerWidth / (x.max - x.min);
  const perY = innerHeight / (y.max - y.min);
  return {
    width: innerWidth + left + right,
    height: innerHeight + top + bottom,
    scale,
    left,
    top,
    innerWidth,
    innerHeight,
    toPixel: (point) => ({ x: left + (point.x - x.min) * perX, y: top + (y.max - point.y) * perY }),
    toPlane: (pixel) => ({ x: x.min + (pixel.x - left) / perX, y: y.max - (pixel.y - top) / perY }),
  };
}

/** The ends of a line through two points where it leaves the plane; a ray begins at its first point. */
export function runOut(a: Pixel, b: Pixel, both: boolean, reach: number): [Pixel, Pixel] {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [dx, dy] = [((b.x - a.x) / length) * reach, ((b.y - a.y) / length) * reach];
  return [both ? { x: a.x - dx, y: a.y - dy } : a, { x: a.x + dx, y: a.y + dy }];
}

/** A quadrilateral that covers the shaded side as far as the plane goes. */
export function shading(figure: Figure, toPixel: PlaneGeometry['toPixel'], reach: number): Pixel[] {
  const [a, b] = figure.points;
  if (!a || !b || !figure.inside) return [];
  const [p, q] = runOut(toPixel(a), toPixel(b), true, reach);
  const length = Math.hypot(q.x - p.x, q.y - p.y) || 1;
  const left = sideOfLine(figure.inside, a, b) > 0;
  // Left of a→b on the plane is left on the screen too, where y runs down: its normal is (dy, −dx).
  const side = left ? 1 : -1;
  const [nx, ny] = [((q.y - p.y) / length) * side * reach, (-(q.x - p.x) / length) * side * reach];
  return [p, q, { x: q.x + nx, y: q.y + ny }, { x: p.x + nx, y: p.y + ny }];
}

/** Every which grid line bears a number so that numbers do not touch. */
export function labelEvery(count: number, room: number, size: number): number {
  const each = room / Math.max(1, count);
  return [1, 2, 5, 10, 20, 50].find((every) => each * every >= size) ?? 100;
}
