import { numberFault } from '../faults';
import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import { responseTexts } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    media: MediaModel;
  }
}

/** More plays than anyone makes. */
const MAX_PLAYS = 1_000_000;

export interface MediaModel extends InteractionBase {
  readonly type: 'media';
  /** One `audio` or `video` element with its sources and captions. */
  readonly content: Content;
  readonly minPlays: number;
  /** 0 = any number. */
  readonly maxPlays: number;
  readonly loop: boolean;
}

/** Times it may still be played; `Infinity` without a limit. */
export const playsLeft = (model: MediaModel, plays: number): number =>
  model.maxPlays === 0 ? Infinity : Math.max(0, model.maxPlays - plays);

/** `qti-media-interaction`: sound or video; its answer is how often it was played (QTI 3.0, "media interaction"). */
export const media = defineKind<MediaModel>({
  type: 'media',
  inline: false,
  mapContents: (model, change) => ({ ...model, content: change(model.content) }),
  happens: true,
  // Nothing has to be done to answer: only a least number of plays makes it part of the answer.
  optional: (model) => model.minPlays === 0,
  progress(model, response) {
    const plays = Number(responseTexts(response)[0] ?? 0);
    if (model.minPlays === 0 || plays >= model.minPlays) return complete;
    const values = { wanted: model.minPlays, played: plays, left: model.minPlays - plays };
    return plays > 0 ? partial('plays', values) : empty('plays', values);
  },
  said: (_model, response) => [
    { code: 'plays', values: { plays: Number(responseTexts(response)[0] ?? 0) || 0 } },
  ],
  fault: (_model, texts) => numberFault(texts, 0, MAX_PLAYS, 1),
});
