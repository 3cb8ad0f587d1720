import { isShape, parseCoords } from '../geometry/areas';
import type { Content } from '../content/content';
import { vocabularyOf } from '../content/vocabulary';
import type { ShapeName } from '../content/declarations';
import type { BaseType, Cardinality } from '../content/value';
import type { Reporter } from '../xml/problem';
import { booleanAttribute, elementsOf, numberAttribute, type XmlElement } from '../xml/xml';
import type { Counts } from './counts';
import type { Hotspot } from './hotspots';
import type { Offer } from './offer';
import type { Picture } from './picture';
import { exactOf, type Quantity } from './quantity';
import type { InteractionBase, InteractionKind, InteractionModel, ResponseShape } from './types';

/** What an interaction's reader may ask for. */
export interface ReadContext {
  readonly report: Reporter;
  /** The declaration the interaction is bound to; absent is an error already reported. */
  readonly shape: ResponseShape | undefined;
  /** Reads children as content, by allow-list; gaps and hottexts become places. */
  content(element: XmlElement): Content;
  /** The element the interaction stands in: the stage, for position object. */
  readonly parent: XmlElement | undefined;
  /** A path in the package for a path written in this file. */
  asset(href: string): string;
  /** A file of the package as text; null where there is none. Nothing is reported. */
  source(href: string): string | null;
}

/** How one interaction is read from XML: on the server and the command line only, never in a student's browser. */
export interface InteractionReader<Model extends InteractionBase = InteractionModel> {
  readonly kind: InteractionKind;
  /** The QTI element, or the `custom-interaction-type-identifier` of one of ours. */
  readonly element: string;
  /** Cardinalities and base types its response may be declared with. */
  readonly binds: readonly { readonly cardinality: Cardinality; readonly baseTypes: readonly BaseType[] }[];
  read(
    element: XmlElement,
    context: ReadContext,
  ): Omit<Model, keyof InteractionBase> & Partial<InteractionBase>;
}

/** Gives the reader its own model type inside and the common one outside. */
export function defineReader<Model extends InteractionModel>(
  reader: InteractionReader<Model>,
): InteractionReader {
  return reader;
}

/** Whether choices stand in a row: by the attribute, or by its successor in the shared vocabulary (QTI 3.0). */
export const isHorizontal = ({ attributes }: XmlElement): boolean =>
  attributes.orientation === 'horizontal' ||
  (attributes.orientation === undefined &&
    vocabularyOf(attributes.class).includes('qti-orientation-horizontal'));

/** The attributes all choices share (QTI 3.0, "choice"). */
export function readOffer(element: XmlElement, context: ReadContext): Offer {
  const { identifier = '', 'template-identifier': variable } = element.attributes;
  if (identifier === '')
    context.report.error('no-identifier', element.line, `<${element.name}> has no identifier`);
  const offer = { identifier, fixed: booleanAttribute(element, 'fixed', false) };
  return variable === undefined
    ? offer
    : { ...offer, template: { variable, show: element.attributes['show-hide'] !== 'hide' } };
}

/**
 * `min-*`/`max-*` as written. A maximum of several without a minimum is read as "that many are asked for"
 * (items.md, "How far an answer is": both decide the count); an explicit minimum is taken at its word.
 */
export function readCounts(element: XmlElement, kin: string, defaultMaximum: number): Counts {
  const maximum = Math.max(0, numberAttribute(element, `max-${kin}`, defaultMaximum));
  const written = element.attributes[`min-${kin}`] !== undefined;
  const minimum = written ? numberAttribute(element, `min-${kin}`, 0) : maximum > 1 ? maximum : 1;
  return { minimum: Math.max(1, maximum > 0 ? Math.min(minimum, maximum) : minimum), maximum };
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

/** `img`, `object` or `picture` directly inside an element (QTI 3.0, "graphic interactions"). */
export function readPicture(parent: XmlElement, context: ReadContext): Picture {
  const holder = elementsOf(parent).find((child) => ['img', 'object', 'picture'].includes(child.name));
  const element = holder?.name === 'picture' ? elementsOf(holder, 'img')[0] : holder;
  const href = element?.attributes.src ?? element?.attributes.data;
  if (!element || href === undefined) {
    context.report.error('no-picture', parent.line, `<${parent.name}> has no picture to work on`);
    return { node: { kind: 'text', text: '' }, src: '', alt: '', width: null, height: null };
  }
  const type = element.attributes.type;
  if (element.name === 'object' && type !== undefined && !type.startsWith('image/'))
    context.report.error('no-picture', element.line, `an object of type ${type} is not a picture`);
  const size = (name: string) => {
    const value = numberAttribute(element, name, parseFloat(element.attributes[name] ?? ''));
    return value > 0 ? value : null;
  };
  const src = context.asset(href);
  const inside = element.children.map((child) => (child.kind === 'text' ? child.text : '')).join('');
  const alt = element.attributes.alt ?? (inside.trim() || (parent.attributes['aria-label'] ?? ''));
  if (alt === '')
    context.report.warn(
      'no-alt',
      element.line,
      'a picture has no alt text; a student who cannot see it gets nothing',
    );
  return {
    node: { kind: 'element', name: 'img', namespace: 'html', attributes: { src, alt }, children: [] },
    src,
    alt,
    width: size('width'),
    height: size('height'),
  };
}

/** How many are to be ordered: all of them unless `min-choices` or `max-choices` say otherwise (QTI 3.0, "order interaction"). */
export function readSequenceCounts(element: XmlElement, total: number): Counts {
  const written = numberAttribute(element, 'max-choices', 0);
  const maximum = written > 0 ? Math.min(written, total) : total;
  const minimum = Math.max(0, numberAttribute(element, 'min-choices', 0));
  return { minimum: minimum > 0 ? Math.min(minimum, maximum) : maximum, maximum };
}

/** A `data-*` number; what is missing takes the fallback, what cannot be read is an error. */
export function readQuantity(
  element: XmlElement,
  name: string,
  fallback: Quantity,
  context: ReadContext,
): Quantity {
  const text = element.attributes[name]?.trim() ?? '';
  if (text === '') return fallback;
  if (exactOf(text)) return text;
  context.report.error('property', element.line, `${name}="${text}" is not a number`);
  return fallback;
}

/** A whole number within bounds, reported when it is none. */
export function readWhole(
  element: XmlElement,
  name: string,
  fallback: number,
  [least, most]: readonly [number, number],
  context: ReadContext,
): number {
  const text = element.attributes[name]?.trim() ?? '';
  if (text === '') return fallback;
  const value = Number(text);
  if (Number.isInteger(value) && value >= least && value <= most) return value;
  context.report.error(
    'property',
    element.line,
    `${name}="${text}" is not a whole number from ${least} to ${most}`,
  );
  return fallback;
}
