import { readCounts, type Counts } from '../counts';
import { readHotspots, type Hotspot } from '../hotspots';
import { joinProgress } from '../joining';
import { readPicture, type Picture } from '../picture';
import { defineInteraction, type InteractionModel } from '../types';

export interface GraphicAssociateModel extends InteractionModel {
  readonly type: 'graphic-associate';
  readonly picture: Picture;
  readonly hotspots: readonly Hotspot[];
  readonly counts: Counts;
}

/** `qti-graphic-associate-interaction`: places of a picture joined in pairs (QTI 3.0, "graphic associate interaction"). */
export const graphicAssociate = defineInteraction<GraphicAssociateModel>({
  type: 'graphic-associate',
  element: 'qti-graphic-associate-interaction',
  inline: false,
  binds: [
    { cardinality: 'multiple', baseTypes: ['pair'] },
    { cardinality: 'single', baseTypes: ['pair'] },
  ],
  read(element, context) {
    return {
      picture: readPicture(element, context),
      hotspots: readHotspots(element, 'qti-associable-hotspot', context),
      counts: readCounts(element, 'associations', 1),
    };
  },
  progress: (model, response) => joinProgress(model.hotspots, model.counts, response),
});
