import { responseTexts } from '../../item/response';
import { readPicture, type Picture } from '../picture';
import { complete, defineInteraction, empty, type InteractionModel } from '../types';
import { elementsOf } from '../../qti/xml';

/** Drawings that can be attached to one answer (common practice, no source). */
export const MAX_DRAWINGS = 4;

export interface DrawingModel extends InteractionModel {
  readonly type: 'drawing';
  /** The picture drawn upon; null for an empty sheet. */
  readonly picture: Picture | null;
  readonly maximum: number;
}

/** `qti-drawing-interaction`: drawings, each kept as an SVG file (QTI 3.0, "drawing interaction"). */
export const drawing = defineInteraction<DrawingModel>({
  type: 'drawing',
  element: 'qti-drawing-interaction',
  inline: false,
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
  progress: (_model, response) => (responseTexts(response).length > 0 ? complete : empty('nothingDrawn')),
});
