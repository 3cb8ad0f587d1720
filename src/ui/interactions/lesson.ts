import type { Hotspot } from '@/core/interactions/hotspots';
import type { Picture } from '@/core/interactions/picture';
import type { InteractionModel, ResponseShape } from '@/core/interactions/types';
import type { Content } from '@/core/content/content';
import type { RawResponse } from '@/core/content/response';

/**
 * "How to answer": a sample of the interaction and the answers it goes through, one per step. What each step says, and
 * the keys, stand under `lessons.TYPE` in the messages; a test keeps both equally long.
 */
export interface Lesson {
  readonly model: InteractionModel;
  readonly shape: ResponseShape;
  readonly steps: readonly RawResponse[];
  /**
   * What a warm-up can ask for: the last step's answer; an answer of one's own, where any finished one is right; or nothing, where
   * the interaction is no question by itself.
   */
  readonly asks: 'this' | 'own' | 'nothing';
}

/** The properties a model names; its index signature would let anything pass. */
type Named<Model> = { [Key in keyof Model as string extends Key ? never : Key]: Model[Key] };
type Common = 'responseIdentifier' | 'inline' | 'prompt' | 'classes';

/** The parts of a sample that every interaction has. */
export function lessonOf<Model extends InteractionModel>(
  model: Omit<Named<Model>, Common> & Partial<Pick<Named<Model>, Common & keyof Named<Model>>>,
  shape: Omit<ResponseShape, 'identifier'>,
  steps: readonly RawResponse[],
  asks: Lesson['asks'] = 'this',
): Lesson {
  const common = { responseIdentifier: 'LESSON', inline: false, prompt: [], classes: [] };
  return {
    model: { ...common, ...model } as unknown as Model,
    shape: { identifier: 'LESSON', ...shape },
    steps,
    asks,
  };
}

export const words = (text: string): Content => [{ kind: 'text', text }];
export const paragraph = (...children: Content): Content => [
  { kind: 'element', name: 'p', namespace: 'html', attributes: {}, children },
];
export const offer = (identifier: string, text = identifier) => ({
  identifier,
  fixed: false,
  content: words(text),
  matchMax: 1,
  matchMin: 0,
});

const SHAPES =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 360 140" width="360" height="140"><rect width="360" height="140" fill="#fff"/><circle cx="70" cy="70" r="34" fill="#c5d8b5" stroke="#1d2b2f" stroke-width="2"/><rect x="146" y="36" width="68" height="68" fill="#d5e6ef" stroke="#1d2b2f" stroke-width="2"/><path d="M256 104h72l-36-68z" fill="#f0dca8" stroke="#1d2b2f" stroke-width="2"/></svg>';
const src = `data:image/svg+xml,${encodeURIComponent(SHAPES)}`;
/** A circle, a square and a triangle, ours, for samples about pictures. */
export const samplePicture = (alt: string): Picture => ({
  node: { kind: 'element', name: 'img', namespace: 'html', attributes: { src, alt }, children: [] },
  src,
  alt,
  width: 360,
  height: 140,
});
const spot = (
  identifier: string,
  label: string,
  shape: Hotspot['shape'],
  coords: readonly number[],
  matchMax: number,
): Hotspot => ({
  identifier,
  fixed: false,
  label,
  shape,
  coords,
  matchMax,
  matchMin: 0,
});
export const sampleSpots = (matchMax = 1): Hotspot[] => [
  spot('C', '○', 'circle', [70, 70, 38], matchMax),
  spot('S', '□', 'rect', [140, 30, 220, 110], matchMax),
  spot('T', '△', 'poly', [246, 110, 338, 110, 292, 26], matchMax),
];
