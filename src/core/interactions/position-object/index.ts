import { readCounts, type Counts } from '../counts';
import { readPicture, type Picture } from '../picture';
import { pointProgress } from '../pointing';
import { defineInteraction, type InteractionModel } from '../types';

export interface PositionObjectModel extends InteractionModel {
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
export const positionObject = defineInteraction<PositionObjectModel>({
  type: 'position-object',
  element: 'qti-position-object-interaction',
  inline: false,
  binds: [
    { cardinality: 'single', baseTypes: ['point'] },
    { cardinality: 'multiple', baseTypes: ['point'] },
  ],
  read(element, context) {
    if (!context.parent || context.parent.name !== 'qti-position-object-stage')
      context.report.error('no-stage', element.line, 'a position object interaction stands outside a stage');
    const [x, y] = (element.attributes['center-point'] ?? '').split(/[\s,]+/).map(Number);
    const single = context.shape?.cardinality === 'single';
    return {
      stage: readPicture(context.parent ?? element, context),
      object: readPicture(element, context),
      centre:
        x !== undefined && y !== undefined && Number.isFinite(x) && Number.isFinite(y) ? { x, y } : null,
      counts: single ? { minimum: 1, maximum: 1 } : readCounts(element, 'choices', 1),
    };
  },
  progress: (model, response) => pointProgress(response, model.counts),
});
