import type { StyleRule } from '../content/styles';
import type { ResponseShape } from '../interactions/types';
import type { Content } from '../content/content';
import type { Catalog } from './catalog';
import type { AssignmentOptions } from './options';
import { own } from '../own';
import type { Materials } from './materials';

/** What a student's browser may know of an item. Built field by field: nothing else of the item can get in. */
export interface DeliveredItem {
  /** From 1, through the whole test as this attempt has it. */
  readonly number: number;
  /** Identifier of the item reference: what events and results call this question. */
  readonly ref: string;
  /** What it is written in (BCP 47): as the item says, else its test; null where neither does. */
  readonly language: string | null;
  readonly body: Content;
  /** How it looks, by its package's style sheets. */
  readonly styles?: readonly StyleRule[];
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
  /** The first of its questions, whether it can be seen now or not. */
  readonly first: string;
  readonly items: readonly string[];
}
export type PartStatus = 'ended' | 'open' | 'ahead';
export interface DeliveredPart {
  readonly identifier: string;
  readonly title: string;
  readonly navigation: 'linear' | 'nonlinear';
  readonly status: PartStatus;
  /** Questions in it, those that cannot be seen now included. */
  readonly count: number;
  /** Milliseconds it may take, extra time included; null = no limit of its own. */
  readonly limit: number | null;
  /** Whether it comes whatever is answered: no rule of the test leads past it. */
  readonly isCertain: boolean;
  /** Its sections with the questions that may be seen now. */
  readonly sections: readonly DeliveredSection[];
}
/** A clock inside the test: it runs while one of its questions is on the screen, that of a part as long as the part is open. */
export interface DeliveredClock {
  readonly kind: 'part' | 'section' | 'item';
  readonly key: string;
  /** What it belongs to, for people; empty where that has no name. */
  readonly title: string;
  /** Milliseconds, extra time included. */
  readonly maximum: number;
  /** At its end answers are still taken, and marked late. */
  readonly late: boolean;
  readonly refs: readonly string[];
}
/** What may be shown of a form now. */
export interface Showing {
  readonly refs: ReadonlySet<string>;
  readonly numbers: ReadonlyMap<string, number>;
  /** Questions in all, as far as the rules can tell by now. */
  readonly count: number;
  readonly parts: readonly { readonly status: PartStatus; readonly count: number }[];
  readonly clocks: readonly DeliveredClock[];
}
/** A passage, or a page to be consulted. */
export interface DeliveredStimulus {
  readonly title: string;
  /** What it is written in (BCP 47): as it says itself, else its test; null where neither does. */
  readonly language: string | null;
  readonly body: Content;
  /** How it looks, by its package's style sheets. */
  readonly styles?: readonly StyleRule[];
}
export interface DeliveredTest {
  readonly title: string;
  /** What it is written in (BCP 47), where the test says so. */
  readonly language: string | null;
  readonly directions: Content;
  /** Seconds for the whole test before any extra time; null = untimed. */
  readonly timeLimit: number | null;
  readonly parts: readonly DeliveredPart[];
  /** Questions in all, as far as the rules can tell by now. */
  readonly count: number;
  readonly clocks: readonly DeliveredClock[];
  /** How it is given: on one page, with the screen for itself, and so on. */
  readonly given: AssignmentOptions;
  readonly items: Readonly<Record<string, DeliveredItem>>;
  readonly stimuli: Readonly<Record<string, DeliveredStimulus>>;
  /** Package paths of every picture, sound and file shown. */
  readonly assets: readonly string[];
}

/** What is to be read before a question's section, and whether it is the first of it; null where there is nothing to read. */
export function directionsFor(
  test: DeliveredTest,
  ref: string,
): { readonly section: DeliveredSection; readonly first: boolean } | null {
  const section = test.parts.flatMap((part) => part.sections).find(({ items }) => items.includes(ref));
  return section && section.directions.length > 0 ? { section, first: section.first === ref } : null;
}

/** The parts of a test that have questions: those that a student is told of. */
export const partsOf = (test: DeliveredTest): DeliveredPart[] => test.parts.filter(({ count }) => count > 0);

/** The part that is open; undefined when all have ended. */
export const openPartOf = (test: DeliveredTest): DeliveredPart | undefined =>
  test.parts.find(({ status }) => status === 'open');

/** The part a question stands in. */
export const partOf = (test: DeliveredTest, ref: string): DeliveredPart | undefined =>
  test.parts.find(({ sections }) => sections.some(({ items }) => items.includes(ref)));

/** Whether it is the last part with questions: after it comes handing in. */
export const isLastPart = (test: DeliveredTest, part: DeliveredPart): boolean =>
  partsOf(test).at(-1)?.identifier === part.identifier;

/** The part that comes after one, as far as rules can tell by now. */
export function partAfter(test: DeliveredTest, part: DeliveredPart): DeliveredPart | undefined {
  const parts = partsOf(test);
  return parts[parts.findIndex(({ identifier }) => identifier === part.identifier) + 1];
}

/** How many questions of a part without a way back are behind its open question, and how many ahead at most; 0 in any other part. */
export function forwardPlace(
  test: DeliveredTest,
  part: DeliveredPart,
): { readonly behind: number; readonly ahead: number; readonly from: number } {
  const before = test.parts.slice(0, test.parts.indexOf(part));
  const from = before.reduce((sum, { count }) => sum + count, 0) + 1;
  const [ref] = part.sections.flatMap(({ items }) => items);
  const number = ref === undefined ? undefined : own(test.items, ref)?.number;
  if (part.navigation !== 'linear' || part.status !== 'open' || number === undefined)
    return { behind: 0, ahead: 0, from };
  return { behind: number - from, ahead: Math.max(0, part.count - (number - from) - 1), from };
}

/** Whether a question stands where there is no way back: in the open part, and that part goes forward only. */
export function isForwardOnly(test: DeliveredTest, ref: string): boolean {
  const part = partOf(test, ref);
  return part?.status === 'open' && part.navigation === 'linear';
}

/**
 * The questions that are shown together with one, itself among them, in order: those of its section where sections stand on one page.
 * Alone stands what goes forward only, and what has a clock of its own: that runs while just this question is on the screen.
 */
export function shownTogether(test: DeliveredTest, ref: string): readonly string[] {
  const part = partOf(test, ref);
  const section = part?.sections.find(({ items }) => items.includes(ref));
  const timed = test.clocks.some(
    ({ kind, refs }) => kind === 'item' && section?.items.some((one) => refs.includes(one)),
  );
  if (!test.given.onePage || !section || part?.navigation === 'linear' || timed) return [ref];
  return section.items;
}

/** Whether a question of a forward-only part is the last of the test: after it comes handing in. */
export function isEnd(test: DeliveredTest, ref: string): boolean {
  const part = partOf(test, ref);
  return part !== undefined && isLastPart(test, part) && forwardPlace(test, part).ahead === 0;
}

/** The question references of a delivered test that may be seen now, in the order they are met. */
export const questionOrder = (test: DeliveredTest): string[] =>
  test.parts.flatMap((part) => part.sections.flatMap((section) => section.items));

/** What feedback inside a question is marked with when it is delivered. */
export const FEEDBACK_CLASS = 'able-feedback';
