import type { ShapeName } from '../content/declarations';
import type { Offer } from './offer';

/** A place in a picture: its shape in pixels of the picture, and what it is called aloud. */
export interface Hotspot extends Offer {
  readonly shape: ShapeName;
  readonly coords: readonly number[];
  /** `hotspot-label`; empty when the package gives none. */
  readonly label: string;
  /** Partners it may have; 0 = any number. */
  readonly matchMax: number;
  readonly matchMin: number;
}

/** The smallest upright box around a shape: `[left, top, right, bottom]` in pixels; the whole picture for `default`. */
export function boxOf(
  { shape, coords }: Pick<Hotspot, 'shape' | 'coords'>,
  width: number,
  height: number,
): readonly [number, number, number, number] {
  const [a = 0, b = 0, c = 0, d = 0] = coords;
  switch (shape) {
    case 'default':
      return [0, 0, width, height];
    case 'circle':
      return [a - c, b - c, a + c, b + c];
    case 'ellipse':
      return [a - c, b - d, a + c, b + d];
    case 'rect':
      return [Math.min(a, c), Math.min(b, d), Math.max(a, c), Math.max(b, d)];
    case 'poly': {
      const xs = coords.filter((_, i) => i % 2 === 0);
      const ys = coords.filter((_, i) => i % 2 === 1);
      return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
    }
  }
}
