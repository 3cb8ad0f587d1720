import type { Content } from '../content/content';

/** What is offered to choose, place or join: a choice, a piece, a hotspot. */
export interface Offer {
  readonly identifier: string;
  /** Stays where it is when the others are mixed. */
  readonly fixed: boolean;
  /** Offered only when a template variable holds its identifier (or, with `show: false`, when it does not). */
  readonly template?: { readonly variable: string; readonly show: boolean };
}

export const identifiersIn = (offers: readonly Offer[]): string[] => offers.map((one) => one.identifier);

/** Offers with their contents changed. */
export const mapOffers = <One extends Offer & { readonly content: Content }>(
  offers: readonly One[],
  change: (content: Content) => Content,
): One[] => offers.map((one) => ({ ...one, content: change(one.content) }));
