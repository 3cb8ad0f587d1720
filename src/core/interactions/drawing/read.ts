import { MAX_DRAWINGS, type DrawingModel, drawing } from './index';
import { defineReader, readPicture } from '../reading';
import { elementsOf } from '../../xml/xml';

/** Reads `qti-drawing-interaction`. */
export const drawingReader = defineReader<DrawingModel>({
  kind: drawing,
  element: 'qti-drawing-interaction',
  binds: [
    { cardinality: 'single', baseTypes: ['file'] },
    { cardinality: 'multiple', baseTypes: ['file'] },
    { cardinality: 'ordered', baseTypes: ['file'] },
  ],
  read(element, context) {
    const has = elementsOf(element).some((child) => ['img', 'object', 'picture'].includes(child.name));
    return {
      picture: has ? readPicture(element, context) : null,
      maximum: context.shape?.cardinality === 'single' ? 1 : MAX_DRAWINGS,
    };
  },
});
