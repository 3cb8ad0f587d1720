import { type PositionObjectModel, positionObject } from './index';
import { defineReader, readCounts, readPicture } from '../reading';

/** Reads `qti-position-object-interaction`. */
export const positionObjectReader = defineReader<PositionObjectModel>({
  kind: positionObject,
  element: 'qti-position-object-interaction',
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
});
