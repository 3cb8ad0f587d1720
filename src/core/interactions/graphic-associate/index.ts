import { defineKind, type InteractionBase } from '../types';
import type { Counts } from '../counts';
import type { Hotspot } from '../hotspots';
import { joinFault, joinProgress } from '../joining';
import { type Picture, mapPicture } from '../picture';
import { saidPairs, spotName } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'graphic-associate': GraphicAssociateModel;
  }
}

export interface GraphicAssociateModel extends InteractionBase {
  readonly type: 'graphic-associate';
  readonly picture: Picture;
  readonly hotspots: readonly Hotspot[];
  readonly counts: Counts;
}

/** `qti-graphic-associate-interaction`: places of a picture joined in pairs (QTI 3.0, "graphic associate interaction"). */
export const graphicAssociate = defineKind<GraphicAssociateModel>({
  type: 'graphic-associate',
  inline: false,
  offers: ['hotspots'],
  mapContents: (model, change) => ({ ...model, picture: mapPicture(model.picture, change) }),
  progress: (model, response) => joinProgress(model.hotspots, model.counts, response),
  said: (model, response) => saidPairs(response, (one) => spotName(model.hotspots, one)),
  fault: (model, texts) => joinFault(model.hotspots, model.counts, texts),
});
