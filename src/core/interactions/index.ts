import { associate } from './associate';
import { cellGrid } from './cell-grid';
import { choice } from './choice';
import { coordinatePlane } from './coordinate-plane';
import { drawing } from './drawing';
import { endAttempt } from './end-attempt';
import { equation } from './equation';
import { extendedText } from './extended-text';
import { gapMatch } from './gap-match';
import { graphicAssociate } from './graphic-associate';
import { graphicGapMatch } from './graphic-gap-match';
import { graphicOrder } from './graphic-order';
import { hotspot } from './hotspot';
import { hottext } from './hottext';
import { inlineChoice } from './inline-choice';
import { match } from './match';
import { media } from './media';
import { numberLine } from './number-line';
import { order } from './order';
import { partition } from './partition';
import { positionObject } from './position-object';
import { selectPoint } from './select-point';
import { slider } from './slider';
import { tallyPlot } from './tally-plot';
import { textEntry } from './text-entry';
import { upload } from './upload';
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
  associate,
  slider,
  hotspot,
  selectPoint,
  graphicOrder,
  graphicAssociate,
  graphicGapMatch,
  positionObject,
  drawing,
  upload,
  media,
  endAttempt,
  equation,
  numberLine,
  coordinatePlane,
  partition,
  tallyPlot,
  cellGrid,
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
