import { choice } from './choice';
import { equation } from './equation';
import { extendedText } from './extended-text';
import { gapMatch } from './gap-match';
import { hottext } from './hottext';
import { inlineChoice } from './inline-choice';
import { match } from './match';
import { order } from './order';
import { slider } from './slider';
import { textEntry } from './text-entry';
import type { InteractionDefinition } from './types';

/** Every interaction the product delivers. A new one is its folder and a line here (and the same in src/ui). */
export const INTERACTIONS: readonly InteractionDefinition[] = [
  choice,
  textEntry,
  inlineChoice,
  gapMatch,
  match,
  extendedText,
  hottext,
  order,
  slider,
  equation,
];

const byType = new Map(INTERACTIONS.map((one) => [one.type, one]));
const byElement = new Map(INTERACTIONS.map((one) => [one.element, one]));

/** The definition for an interaction's type. */
export function interactionOf(type: string): InteractionDefinition | undefined {
  return byType.get(type);
}

/** The definition for a QTI element name or one of our custom type identifiers. */
export function interactionForElement(element: string): InteractionDefinition | undefined {
  return byElement.get(element);
}
