import { isShape, parseCoords } from '../geometry/areas';
import type { ShapeName } from '../item/declarations';
import { elementsOf, numberAttribute, type XmlElement } from '../qti/xml';
import { readOffer, type Offer } from './offer';
import type { ReadContext } from './types';

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

const COORDS: Readonly<Record<ShapeName, (count: number) => boolean>> = {
  default: () => true,
  circle: (count) => count === 3,
  ellipse: (count) => count === 4,
  rect: (count) => count === 4,
  poly: (count) => count >= 6 && count % 2 === 0,
};

/** The hotspots of a graphic interaction: `qti-hotspot-choice` or `qti-associable-hotspot`. */
export function readHotspots(element: XmlElement, name: string, context: ReadContext): Hotspot[] {
  const hotspots = elementsOf(element, name).flatMap((child): Hotspot[] => {
    const shape = child.attributes.shape ?? '';
    const coords = parseCoords(child.attributes.coords ?? '');
    if (!isShape(shape) || coords.some(Number.isNaN) || !COORDS[shape](coords.length)) {
      context.report.error(
        'hotspot-shape',
        child.line,
        'a hotspot needs a shape and the coords that shape takes',
      );
      return [];
    }
    return [
      {
        ...readOffer(child, context),
        shape,
        coords,
        label: child.attributes['hotspot-label'] ?? child.attributes['aria-label'] ?? '',
        matchMax: numberAttribute(child, 'match-max', 1),
        matchMin: numberAttribute(child, 'match-min', 0),
      },
    ];
  });
  if (hotspots.length === 0)
    context.report.error('no-choices', element.line, `<${element.name}> has no ${name}`);
  return hotspots;
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
