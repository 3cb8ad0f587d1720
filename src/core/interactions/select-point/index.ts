import { readCounts, type Counts } from '../counts';
import { readPicture, type Picture } from '../picture';
import { pointProgress } from '../pointing';
import { defineInteraction, type InteractionModel } from '../types';

export interface SelectPointModel extends InteractionModel {
  readonly type: 'select-point';
  readonly picture: Picture;
  readonly counts: Counts;
}

/** `qti-select-point-interaction`: points set on a picture (QTI 3.0, "select point interaction"). */
export const selectPoint = defineInteraction<SelectPointModel>({
  type: 'select-point',
  element: 'qti-select-point-interaction',
  inline: false,
  binds: [
    { cardinality: 'single', baseTypes: ['point'] },
    { cardinality: 'multiple', baseTypes: ['point'] },
  ],
  read(element, context) {
    const single = context.shape?.cardinality === 'single';
    const counts = readCounts(element, 'choices', single ? 1 : 0);
    return { picture: readPicture(element, context), counts: single ? { minimum: 1, maximum: 1 } : counts };
  },
  progress: (model, response) => pointProgress(response, model.counts),
});
