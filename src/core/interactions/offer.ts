import { booleanAttribute, type XmlElement } from '../qti/xml';
import type { ReadContext } from './types';

/** What is offered to choose, place or join: a choice, a piece, a hotspot. */
export interface Offer {
  readonly identifier: string;
  /** Stays where it is when the others are mixed. */
  readonly fixed: boolean;
  /** Offered only when a template variable holds its identifier (or, with `show: false`, when it does not). */
  readonly template?: { readonly variable: string; readonly show: boolean };
}

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
