import { pointFault } from '../faults';
import { defineKind, type InteractionBase } from '../types';
import type { Counts } from '../counts';
import { type Picture, mapPicture } from '../picture';
import { pointProgress, pointsOf } from '../pointing';
import { saidPoints } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'select-point': SelectPointModel;
  }
}

export interface SelectPointModel extends InteractionBase {
  readonly type: 'select-point';
  readonly picture: Picture;
  readonly counts: Counts;
}

/** `qti-select-point-interaction`: points set on a picture (QTI 3.0, "select point interaction"). */
export const selectPoint = defineKind<SelectPointModel>({
  type: 'select-point',
  inline: false,
  mapContents: (model, change) => ({ ...model, picture: mapPicture(model.picture, change) }),
  progress: (model, response) => pointProgress(response, model.counts),
  said: (model, response) => saidPoints(pointsOf(response), model.picture, ''),
  fault: (model, texts) => pointFault(texts, model.picture, model.counts.maximum),
});
