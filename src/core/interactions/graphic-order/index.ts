import type { Counts } from '../counts';
import { readHotspots, type Hotspot } from '../hotspots';
import { readPicture, type Picture } from '../picture';
import { readSequenceCounts, sequenceOf, sequenceProgress } from '../sequence';
import { defineInteraction, type InteractionModel } from '../types';

export interface GraphicOrderModel extends InteractionModel {
  readonly type: 'graphic-order';
  readonly picture: Picture;
  readonly hotspots: readonly Hotspot[];
  readonly counts: Counts;
}

/** `qti-graphic-order-interaction`: places of a picture put in order (QTI 3.0, "graphic order interaction"). */
export const graphicOrder = defineInteraction<GraphicOrderModel>({
  type: 'graphic-order',
  element: 'qti-graphic-order-interaction',
  inline: false,
  binds: [{ cardinality: 'ordered', baseTypes: ['identifier'] }],
  read(element, context) {
    const hotspots = readHotspots(element, 'qti-hotspot-choice', context);
    return {
      picture: readPicture(element, context),
      hotspots,
      counts: readSequenceCounts(element, hotspots.length),
    };
  },
  progress(model, response) {
    const known = model.hotspots.map((one) => one.identifier);
    return sequenceProgress(sequenceOf(known, response).length, model.counts);
  },
});
