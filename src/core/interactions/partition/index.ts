import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { responseTexts, type RawResponse } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    partition: PartitionModel;
  }
}

export const PARTITION_SHAPES = ['circle', 'bar', 'grid'] as const;
export interface PartitionModel extends InteractionBase {
  readonly type: 'partition';
  readonly shape: (typeof PARTITION_SHAPES)[number];
  readonly partsMin: number;
  readonly partsMax: number;
  readonly start: number;
}

/** Which parts are shaded, clockwise from the top or left to right. The start when nothing is answered. */
export function shadingOf(model: PartitionModel, response: RawResponse): boolean[] {
  const texts = responseTexts(response);
  if (texts.length === 0) return Array.from({ length: model.start }, () => false);
  return texts.map((text) => text === 'true' || text === '1');
}

export const shadingResponse = (shading: readonly boolean[]): RawResponse => shading.map(String);

/** One part more or fewer; shading stays with the parts that stay. Null at the limits. */
export function resplit(model: PartitionModel, shading: readonly boolean[], parts: number): boolean[] | null {
  if (parts < model.partsMin || parts > model.partsMax) return null;
  return Array.from({ length: parts }, (_, i) => shading[i] ?? false);
}

/** Shades a part, or takes its shading away. */
export const shade = (shading: readonly boolean[], index: number, on: boolean): boolean[] =>
  shading.map((was, i) => (i === index ? on : was));

/** Rows and columns of a grid of equal parts, as near to a square as they go. */
export function gridOf(parts: number): { rows: number; columns: number } {
  let rows = Math.floor(Math.sqrt(parts));
  while (rows > 1 && parts % rows !== 0) rows -= 1;
  return { rows: Math.max(1, rows), columns: parts / Math.max(1, rows) };
}

/** Our `partition`: a circle, bar or grid split into equal parts, some shaded (items.md, "Interactions of our own"). */
export const partition = defineKind<PartitionModel>({
  type: 'partition',
  inline: false,
  progress(_model, response) {
    const texts = responseTexts(response);
    if (texts.length === 0) return empty('nothingShaded');
    return texts.some((text) => text === 'true' || text === '1') ? complete : partial('nothingShaded');
  },
  said: (model, response) => {
    if (responseTexts(response).length === 0) return [];
    const shading = shadingOf(model, response);
    return [{ code: 'shaded', values: { shaded: shading.filter(Boolean).length, parts: shading.length } }];
  },
  fault: (model, texts) =>
    texts.length < model.partsMin ||
    texts.length > model.partsMax ||
    texts.some((text) => !/^(true|false|0|1)$/.test(text.trim()))
      ? 'impossible'
      : null,
});
