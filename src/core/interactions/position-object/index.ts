import { pointFault } from '../faults';
import { defineKind, type InteractionBase } from '../types';
import type { Counts } from '../counts';
import { type Picture, mapPicture } from '../picture';
import { pointProgress, pointsOf } from '../pointing';
import { saidPoints } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'position-object': PositionObjectModel;
  }
}

export interface PositionObjectModel extends InteractionBase {
  readonly type: 'position-object';
  /** The stage the object is put on. */
  readonly stage: Picture;
  /** The object, which may be put down `counts.maximum` times. */
  readonly object: Picture;
  /** The point of the object that its position means, from its top left corner; null = its middle. */
  readonly centre: { readonly x: number; readonly y: number } | null;
  readonly counts: Counts;
}

/** `qti-position-object-interaction` on its `qti-position-object-stage` (QTI 3.0, "position object interaction"). */
export const positionObject = defineKind<PositionObjectModel>({
  type: 'position-object',
  inline: false,
  mapContents: (model, change) => ({
    ...model,
    stage: mapPicture(model.stage, change),
    object: mapPicture(model.object, change),
  }),
  progress: (model, response) => pointProgress(response, model.counts),
  said: (model, response) => saidPoints(pointsOf(response), model.stage, model.object.alt),
  fault: (model, texts) => pointFault(texts, model.stage, model.counts.maximum),
});
