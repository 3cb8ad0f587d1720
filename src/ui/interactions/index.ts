import { associateView } from './associate';
import { cellGridView } from './cell-grid';
import { choiceView } from './choice';
import { coordinatePlaneView } from './coordinate-plane';
import { drawingView } from './drawing';
import { endAttemptView } from './end-attempt';
import { equationView } from './equation';
import { extendedTextView } from './extended-text';
import { gapMatchView } from './gap-match';
import { graphicAssociateView } from './graphic-associate';
import { graphicGapMatchView } from './graphic-gap-match';
import { graphicOrderView } from './graphic-order';
import { hotspotView } from './hotspot';
import { hottextView } from './hottext';
import { inlineChoiceView } from './inline-choice';
import { matchView } from './match';
import { mediaView } from './media';
import { numberLineView } from './number-line';
import { orderView } from './order';
import { partitionView } from './partition';
import { portableCustomView } from './portable-custom';
import { positionObjectView } from './position-object';
import { selectPointView } from './select-point';
import { sliderView } from './slider';
import { tallyPlotView } from './tally-plot';
import { textEntryView } from './text-entry';
import { uploadView } from './upload';
import type { InteractionModel } from '@/core/interactions/types';
import type { Lesson } from './lesson';
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
  associateView,
  sliderView,
  hotspotView,
  selectPointView,
  graphicOrderView,
  graphicAssociateView,
  graphicGapMatchView,
  positionObjectView,
  drawingView,
  uploadView,
  mediaView,
  endAttemptView,
  equationView,
  numberLineView,
  coordinatePlaneView,
  partitionView,
  tallyPlotView,
  cellGridView,
  portableCustomView,
];

const byType: Readonly<Partial<Record<string, InteractionView>>> = Object.fromEntries(
  VIEWS.map((one) => [one.type, one]),
);

/** The component for each type; a test keeps this and the core's list equal. */
export const VIEW_OF: Readonly<Partial<Record<string, InteractionView['View']>>> = Object.fromEntries(
  VIEWS.map((one) => [one.type, one.View]),
);

/** Fetches everything these interactions will need: components, editors, lessons. */
export function preloadViews(models: readonly InteractionModel[]): Promise<unknown> {
  const types = [...new Set(models.map((model) => model.type))];
  return Promise.all(
    types.flatMap((type) => {
      const view = byType[type];
      return view ? [view.load(models.filter((model) => model.type === type)), view.lesson()] : [];
    }),
  );
}

/** Fetches what every kind of interaction is drawn with, where nobody knows yet which there will be. */
export const preloadAllViews = (): Promise<unknown> =>
  Promise.all(Object.values(byType).flatMap((view) => (view ? [view.load([]), view.lesson()] : [])));

/** What "How to answer" shows of a type. */
export const lessonFor = async (type: string): Promise<Lesson | null> =>
  (await byType[type]?.lesson())?.lesson ?? null;
