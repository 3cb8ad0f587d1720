import { marksOf, MAX_DRAWING, saidMark, SHEET } from './marks';
import { defineKind, complete, empty, type InteractionBase } from '../types';
import { responseTexts } from '../../content/response';
import { type Picture, mapPicture } from '../picture';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    drawing: DrawingModel;
  }
}

/** Drawings that can be attached to one answer (common practice, no source). */
export const MAX_DRAWINGS = 4;

export interface DrawingModel extends InteractionBase {
  readonly type: 'drawing';
  /** The picture drawn upon; null for an empty sheet. */
  readonly picture: Picture | null;
  readonly maximum: number;
}

/** `qti-drawing-interaction`: drawings, each kept as an SVG file (QTI 3.0, "drawing interaction"). */
export const drawing = defineKind<DrawingModel>({
  type: 'drawing',
  inline: false,
  mapContents: (model, change) => ({
    ...model,
    picture: model.picture && mapPicture(model.picture, change),
  }),
  progress: (_model, response) =>
    responseTexts(response).some((text) => text.trim() !== '') ? complete : empty('nothingDrawn'),
  said: (model, response) =>
    responseTexts(response).map((text, i, all) => ({
      code: 'drawing',
      values: {
        index: i + 1,
        total: all.length,
        marks: marksOf(text).map((mark) => saidMark(mark, model.picture ?? SHEET)),
      },
    })),
  fault(model, texts) {
    if (texts.some((text) => text.length > MAX_DRAWING || marksOf(text).length === 0)) return 'impossible';
    return texts.length > model.maximum ? 'too-many' : null;
  },
});
