import { defineKind, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import type { Counts } from '../counts';
import { joinFault, joinProgress, type Joinable } from '../joining';
import { type Offer, mapOffers } from '../offer';
import { saidPairs, wordsOf } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    associate: AssociateModel;
  }
}

export interface AssociableChoice extends Offer, Joinable {
  readonly content: Content;
}
export interface AssociateModel extends InteractionBase {
  readonly type: 'associate';
  readonly choices: readonly AssociableChoice[];
  readonly counts: Counts;
  readonly shuffle: boolean;
}

/** `qti-associate-interaction`: pairs made from one list, in either order (QTI 3.0, "associate interaction"). */
export const associate = defineKind<AssociateModel>({
  type: 'associate',
  inline: false,
  offers: ['choices'],
  mapContents: (model, change) => ({ ...model, choices: mapOffers(model.choices, change) }),
  shuffles: ['choices'],
  progress: (model, response) => joinProgress(model.choices, model.counts, response),
  said: (model, response) => saidPairs(response, (one) => wordsOf(model.choices, one)),
  fault: (model, texts) => joinFault(model.choices, model.counts, texts),
});
