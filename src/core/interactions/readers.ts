import { associateReader } from './associate/read';
import { cellGridReader } from './cell-grid/read';
import { choiceReader } from './choice/read';
import { coordinatePlaneReader } from './coordinate-plane/read';
import { drawingReader } from './drawing/read';
import { endAttemptReader } from './end-attempt/read';
import { equationReader } from './equation/read';
import { extendedTextReader } from './extended-text/read';
import { gapMatchReader } from './gap-match/read';
import { graphicAssociateReader } from './graphic-associate/read';
import { graphicGapMatchReader } from './graphic-gap-match/read';
import { graphicOrderReader } from './graphic-order/read';
import { hotspotReader } from './hotspot/read';
import { hottextReader } from './hottext/read';
import { inlineChoiceReader } from './inline-choice/read';
import { matchReader } from './match/read';
import { mediaReader } from './media/read';
import { numberLineReader } from './number-line/read';
import { orderReader } from './order/read';
import { partitionReader } from './partition/read';
import { portableCustomReader } from './portable-custom/read';
import { positionObjectReader } from './position-object/read';
import { selectPointReader } from './select-point/read';
import { sliderReader } from './slider/read';
import { tallyPlotReader } from './tally-plot/read';
import { textEntryReader } from './text-entry/read';
import { uploadReader } from './upload/read';
import type { InteractionReader } from './reading';

/** How every interaction is read; beside the list in index.ts, and apart from it so that no browser loads it. */
export const READERS: readonly InteractionReader[] = [
  choiceReader,
  textEntryReader,
  inlineChoiceReader,
  gapMatchReader,
  matchReader,
  extendedTextReader,
  hottextReader,
  orderReader,
  associateReader,
  sliderReader,
  hotspotReader,
  selectPointReader,
  graphicOrderReader,
  graphicAssociateReader,
  graphicGapMatchReader,
  positionObjectReader,
  drawingReader,
  uploadReader,
  mediaReader,
  endAttemptReader,
  equationReader,
  numberLineReader,
  coordinatePlaneReader,
  partitionReader,
  tallyPlotReader,
  cellGridReader,
  portableCustomReader,
];

const byElement = new Map(READERS.map((one) => [one.element, one]));

/** The reader for a QTI element name or one of our custom type identifiers. */
export function readerFor(element: string): InteractionReader | undefined {
  return byElement.get(element);
}
