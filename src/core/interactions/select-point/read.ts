import { type SelectPointModel, selectPoint } from './index';
import { defineReader, readCounts, readPicture } from '../reading';

/** Reads `qti-select-point-interaction`. */
export const selectPointReader = defineReader<SelectPointModel>({
  kind: selectPoint,
  element: 'qti-select-point-interaction',
  binds: [
    { cardinality: 'single', baseTypes: ['point'] },
    { cardinality: 'multiple', baseTypes: ['point'] },
  ],
  read(element, context) {
    const single = context.shape?.cardinality === 'single';
    const counts = readCounts(element, 'choices', single ? 1 : 0);
    return { picture: readPicture(element, context), counts: single ? { minimum: 1, maximum: 1 } : counts };
  },
});
