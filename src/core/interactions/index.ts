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
import { portableCustom } from './portable-custom';
import { positionObject } from './position-object';
import { selectPoint } from './select-point';
import { slider } from './slider';
import { tallyPlot } from './tally-plot';
import { textEntry } from './text-entry';
import { upload } from './upload';
import type { InteractionKind } from './types';

/** Every interaction the product delivers. A new one is its folder, a line here, and a line in readers.ts. */
export const INTERACTIONS: readonly InteractionKind[] = [
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
  portableCustom,
];

const byType = new Map<string, InteractionKind>(INTERACTIONS.map((one) => [one.type, one]));

/** The kind of an interaction by its type. */
export function interactionOf(type: string): InteractionKind | undefined {
  return byType.get(type);
}
