import { identifiersIn } from '../offer';
import { choiceFault } from '../faults';
import { defineKind, type InteractionBase } from '../types';
import type { Counts } from '../counts';
import type { Hotspot } from '../hotspots';
import { type Picture, mapPicture } from '../picture';
import { sequenceOf, sequenceProgress } from '../sequence';
import { saidInOrder, spotName } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'graphic-order': GraphicOrderModel;
  }
}

export interface GraphicOrderModel extends InteractionBase {
  readonly type: 'graphic-order';
  readonly picture: Picture;
  readonly hotspots: readonly Hotspot[];
  readonly counts: Counts;
}

/** `qti-graphic-order-interaction`: places of a picture put in order (QTI 3.0, "graphic order interaction"). */
export const graphicOrder = defineKind<GraphicOrderModel>({
  type: 'graphic-order',
  inline: false,
  offers: ['hotspots'],
  mapContents: (model, change) => ({ ...model, picture: mapPicture(model.picture, change) }),
  progress(model, response) {
    const known = model.hotspots.map((one) => one.identifier);
    return sequenceProgress(sequenceOf(known, response).length, model.counts);
  },
  said: (model, response) =>
    saidInOrder(
      sequenceOf(identifiersIn(model.hotspots), response).map((one) => spotName(model.hotspots, one) ?? one),
    ),
  fault: (model, texts) => choiceFault(identifiersIn(model.hotspots), texts, model.counts.maximum),
});
