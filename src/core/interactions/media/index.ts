import type { Content } from '../../item/content';
import { responseTexts } from '../../item/response';
import { booleanAttribute, elementsOf, numberAttribute } from '../../qti/xml';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface MediaModel extends InteractionModel {
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
export const media = defineInteraction<MediaModel>({
  type: 'media',
  element: 'qti-media-interaction',
  inline: false,
  binds: [{ cardinality: 'single', baseTypes: ['integer'] }],
  happens: true,
  // Nothing has to be done to answer: only a least number of plays makes it part of the answer.
  optional: (model) => model.minPlays === 0,
  read(element, context) {
    const players = elementsOf(element).filter((child) =>
      ['audio', 'video', 'object', 'img'].includes(child.name),
    );
    const content = players
      .slice(0, 1)
      .flatMap((child) => [...context.content({ ...element, children: [child] })]);
    if (content.length === 0)
      context.report.error('no-media', element.line, 'a media interaction has nothing to play');
    return {
      content,
      minPlays: numberAttribute(element, 'min-plays', 0),
      maxPlays: numberAttribute(element, 'max-plays', 0),
      loop: booleanAttribute(element, 'loop', false),
    };
  },
  progress(model, response) {
    const plays = Number(responseTexts(response)[0] ?? 0);
    if (model.minPlays === 0 || plays >= model.minPlays) return complete;
    return plays > 0
      ? partial('plays', { wanted: model.minPlays, played: plays })
      : empty('plays', { wanted: model.minPlays, played: 0 });
  },
});
