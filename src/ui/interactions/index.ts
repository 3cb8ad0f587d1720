import { choiceView } from './choice';
import { equationView } from './equation';
import { extendedTextView } from './extended-text';
import { gapMatchView } from './gap-match';
import { inlineChoiceView } from './inline-choice';
import { matchView } from './match';
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
  equationView,
];

const byType = new Map(VIEWS.map((one) => [one.type, one.View]));

/** The component for an interaction; undefined for none (a core test keeps the two lists equal). */
export const viewOf = (type: string) => byType.get(type);
export const VIEW_TYPES: readonly string[] = VIEWS.map((one) => one.type);
