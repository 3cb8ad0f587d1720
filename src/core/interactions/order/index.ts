import { choiceFault } from '../faults';
import { defineKind, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import type { RawResponse } from '../../content/response';
import type { Counts } from '../counts';
import { type Offer, mapOffers } from '../offer';
import { sequenceOf, sequenceProgress } from '../sequence';
import { saidInOrder, wordsOf } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    order: OrderModel;
  }
}

export interface OrderChoice extends Offer {
  readonly content: Content;
}
export interface OrderModel extends InteractionBase {
  readonly type: 'order';
  readonly choices: readonly OrderChoice[];
  readonly shuffle: boolean;
  readonly horizontal: boolean;
  readonly counts: Counts;
}

export const identifiersOf = (model: OrderModel): string[] => model.choices.map((one) => one.identifier);

/** Whether only some of the choices go into the order, so that they have to be picked first. */
export const ordersSome = (model: OrderModel): boolean =>
  model.counts.minimum < model.choices.length || model.counts.maximum < model.choices.length;

/** The order on the screen: the answer where there is one, else as delivered. Choices an answer lacks come last. */
export function shownOrder(model: OrderModel, response: RawResponse): string[] {
  const all = identifiersOf(model);
  const set = sequenceOf(all, response);
  return [...set, ...all.filter((identifier) => !set.includes(identifier))];
}

/** `qti-order-interaction`: a list to be put in order; counts once the student has set it (QTI 3.0, "order interaction"). */
export const order = defineKind<OrderModel>({
  type: 'order',
  inline: false,
  offers: ['choices'],
  mapContents: (model, change) => ({ ...model, choices: mapOffers(model.choices, change) }),
  shuffles: ['choices'],
  progress(model, response) {
    return sequenceProgress(sequenceOf(identifiersOf(model), response).length, model.counts);
  },
  said: (model, response) =>
    saidInOrder(sequenceOf(identifiersOf(model), response).map((one) => wordsOf(model.choices, one) ?? one)),
  fault: (model, texts) => choiceFault(identifiersOf(model), texts, model.counts.maximum),
});
