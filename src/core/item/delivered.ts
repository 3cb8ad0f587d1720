import type { ResponseShape } from '../interactions/types';
import type { Content } from '../content/content';
import type { Catalog } from './catalog';
import type { Materials } from './materials';

/** What a student's browser may know of an item. Built field by field: nothing else of the item can get in. */
export interface DeliveredItem {
  /** Identifier of the item reference: what events and results call this question. */
  readonly ref: string;
  readonly body: Content;
  readonly responses: readonly ResponseShape[];
  readonly stimuli: readonly string[];
  /** What comes with it to work with. */
  readonly materials: Materials;
  /** Cards of marked words that this student has, those of its passages included. */
  readonly cards: Catalog;
  /** Tools the test takes away here. */
  readonly toolsOff: readonly string[];
  /** Points the question is worth; null when not known. */
  readonly points: number | null;
  /** How often the answer may be checked on the way: null = not at all, 0 = any number of times. */
  readonly tries: number | null;
  /** Only a finished answer is checked (QTI 3.0, `validate-responses`). */
  readonly checksWhole: boolean;
  /** What the last check had to say. */
  readonly feedback: readonly { readonly title: string; readonly content: Content }[];
}
export interface DeliveredSection {
  readonly identifier: string;
  readonly title: string;
  readonly directions: Content;
  readonly items: readonly string[];
}
export interface DeliveredPart {
  readonly identifier: string;
  readonly title: string;
  readonly navigation: 'linear' | 'nonlinear';
  readonly sections: readonly DeliveredSection[];
}
export interface DeliveredTest {
  readonly title: string;
  readonly directions: Content;
  /** Seconds for the whole test before any extra time; null = untimed. */
  readonly timeLimit: number | null;
  readonly parts: readonly DeliveredPart[];
  readonly items: Readonly<Record<string, DeliveredItem>>;
  readonly stimuli: Readonly<Record<string, { readonly title: string; readonly body: Content }>>;
  /** Package paths of every picture, sound and file shown. */
  readonly assets: readonly string[];
}

/** What is to be read before a question's section, and whether it is the first of it; null where there is nothing to read. */
export function directionsFor(
  test: DeliveredTest,
  ref: string,
): { readonly section: DeliveredSection; readonly first: boolean } | null {
  const section = test.parts.flatMap((part) => part.sections).find(({ items }) => items.includes(ref));
  return section && section.directions.length > 0 ? { section, first: section.items[0] === ref } : null;
}

/** The question references of a delivered test, in the order they are met. */
export const questionOrder = (test: DeliveredTest): string[] =>
  test.parts.flatMap((part) => part.sections.flatMap((section) => section.items));

/** What feedback inside a question is marked with when it is delivered. */
export const FEEDBACK_CLASS = 'able-feedback';
