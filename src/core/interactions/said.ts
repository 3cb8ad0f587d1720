import { contentText, type Content } from '../content/content';
import { responseTexts, type RawResponse } from '../content/response';
import type { Hotspot } from './hotspots';
import type { Offer } from './offer';
import type { Picture } from './picture';
import type { PicturePoint } from './pointing';
import { joinedPairs } from './joining';
import type { Said, SaidValue } from './types';

/**
 * What an answer says, for whoever cannot see it or wants it at a glance (work.md, D18). Every kind of interaction says it with
 * `InteractionKind.said`; here is what several of them share.
 */

/** The words of an offer, fit to stand inside a sentence: its own full stop left off. A picture without words is its identifier. */
const offerWords = ({ identifier, content }: Offer & { readonly content: Content }): string =>
  contentText(content).replace(/[.;]$/, '') || identifier;

/** The words of what is offered under an identifier; null for what is not offered. */
export function wordsOf(
  offers: readonly (Offer & { readonly content: Content })[],
  identifier: string,
): string | null {
  const offer = offers.find((one) => one.identifier === identifier);
  return offer ? offerWords(offer) : null;
}

/** Offers that an answer names, in the order they are offered. */
export function saidChoices(
  offers: readonly (Offer & { readonly content: Content })[],
  response: RawResponse,
): Said[] {
  const chosen = responseTexts(response);
  return offers
    .filter((one) => chosen.includes(one.identifier))
    .map((one) => ({ code: 'text', values: { text: offerWords(one) } }));
}

/** A number that an answer gives. */
export const saidNumber = (number: string): Said => ({ code: 'text', values: { text: { number } } });

/** What a place of a picture is called: its label, or "place 2 of 5". Null for what is no place of it. */
export function spotName(hotspots: readonly Hotspot[], identifier: string): SaidValue | null {
  const index = hotspots.findIndex((one) => one.identifier === identifier);
  const spot = hotspots[index];
  if (!spot) return null;
  return spot.label !== ''
    ? spot.label
    : { code: 'place', values: { index: index + 1, total: hotspots.length } };
}

/** One thing after another, each with its number. */
export const saidInOrder = (names: readonly SaidValue[]): Said[] =>
  names.map((name, i) => ({ code: 'inOrder', values: { place: i + 1, name } }));

/**
 * The pairs of an answer, in the order they were made: pieces with the places they are in, rows with their columns, partners.
 * @param otherName names the second of a pair, where it is of another kind than the first
 */
export const saidPairs = (
  response: RawResponse,
  nameOf: (identifier: string) => SaidValue | null,
  otherName = nameOf,
  code: 'placed' | 'pair' = 'pair',
): Said[] =>
  joinedPairs(response).flatMap(([one, other]): Said[] => {
    const [a, b] = [nameOf(one), otherName(other)];
    return a === null || b === null ? [] : [{ code, values: { a, b } }];
  });

const third = (share: number): 'first' | 'middle' | 'last' =>
  share < 1 / 3 ? 'first' : share > 2 / 3 ? 'last' : 'middle';

/** Where a point lies on a picture or a sheet, in words and as shares of its width and height; pixels say nothing to anybody. */
export function saidWhere(
  { x, y }: PicturePoint,
  { width, height }: { readonly width: number | null; readonly height: number | null },
): Said {
  if (!width || !height) return { code: 'somewhere' };
  const [across, down] = [Math.max(0, Math.min(1, x / width)), Math.max(0, Math.min(1, y / height))];
  return {
    code: 'where',
    values: {
      across: third(across),
      down: third(down),
      right: Math.round(across * 100),
      below: Math.round(down * 100),
    },
  };
}

/** Points on a picture. */
export const saidPoints = (points: readonly PicturePoint[], picture: Picture, name: string): Said[] =>
  points.map((point) => ({
    code: name === '' ? 'point' : 'object',
    values: { name, where: saidWhere(point, picture) },
  }));
