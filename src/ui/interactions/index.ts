import { choiceView } from './choice';
import { equationView } from './equation';
import { extendedTextView } from './extended-text';
import { gapMatchView } from './gap-match';
import { hottextView } from './hottext';
import { inlineChoiceView } from './inline-choice';
import { matchView } from './match';
import { orderView } from './order';
import { sliderView } from './slider';
import { textEntryView } from './text-entry';
import type { InteractionView } from './types';

/** How every interaction looks and is operated. A new one is its folder and a line here (and the same in src/core). */
const VIEWS: readonly InteractionView[] = [
  choiceView,
  textEntryView,
  inlineChoiceView,
  gapMatchView,
  matchView,
  extendedTextView,
  hottextView,
  orderView,
  sliderView,
  equationView,
];

/** The component for each type; a test keeps this and the core's list equal. */
export const VIEW_OF: Readonly<Partial<Record<string, InteractionView['View']>>> = Object.fromEntries(
  VIEWS.map((one) => [one.type, one.View]),
);
