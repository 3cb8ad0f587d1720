import type { ShapeName } from '../content/declarations';

/** Coordinates as QTI writes them: `10,20,5` (pixels of the object, y downwards). */
export function parseCoords(text: string): number[] {
  return text
    .split(/[\s,]+/)
    .filter((part) => part !== '')
    .map(Number);
}

export function isShape(text: string): text is ShapeName {
  return ['default', 'circle', 'rect', 'poly', 'ellipse'].includes(text);
}

/** Whether a point lies in a shape, edges included (QTI 3.0, "shape": as HTML image maps, with ellipse). */
export function isInside(
  shape: ShapeName,
  coords: readonly number[],
  [x, y]: readonly [number, number],
): boolean {
  const [a = 0, b = 0, c = 0, d = 0] = coords;
  switch (shape) {
    case 'default':
      return true;
    case 'rect':
      return x >= Math.min(a, c) && x <= Math.max(a, c) && y >= Math.min(b, d) && y <= Math.max(b, d);
    case 'circle':
      return (x - a) ** 2 + (y - b) ** 2 <= c ** 2;
    case 'ellipse':
      return c > 0 && d > 0 && ((x - a) / c) ** 2 + ((y - b) / d) ** 2 <= 1;
    case 'poly':
      return insidePolygon(coords, x, y);
  }
}

function insidePolygon(coords: readonly number[], x: number, y: number): boolean {
  let inside = false;
  const count = Math.floor(coords.length / 2);
  for (let i = 0, j = count - 1; i < count; j = i, i += 1) {
    const [xi = 0, yi = 0, xj = 0, yj = 0] = [
      coords[2 * i],
      coords[2 * i + 1],
      coords[2 * j],
      coords[2 * j + 1],
    ];
    const cross = (xj - xi) * (y - yi) - (yj - yi) * (x - xi);
    const within =
      x >= Math.min(xi, xj) && x <= Math.max(xi, xj) && y >= Math.min(yi, yj) && y <= Math.max(yi, yj);
    if (cross === 0 && within) return true;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}
