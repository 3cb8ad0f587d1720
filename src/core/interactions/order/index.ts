import type { Content } from '../../item/content';
import type { RawResponse } from '../../item/response';
import { booleanAttribute, elementsOf } from '../../qti/xml';
import type { Counts } from '../counts';
import { readOffer, type Offer } from '../offer';
import { readSequenceCounts, sequenceOf, sequenceProgress } from '../sequence';
import { defineInteraction, type InteractionModel } from '../types';

export interface OrderChoice extends Offer {
  readonly content: Content;
}
export interface OrderModel extends InteractionModel {
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
export const order = defineInteraction<OrderModel>({
  type: 'order',
  element: 'qti-order-interaction',
  inline: false,
  shuffles: ['choices'],
  binds: [{ cardinality: 'ordered', baseTypes: ['identifier'] }],
  read(element, context) {
    const choices = elementsOf(element, 'qti-simple-choice').map((child) => ({
      ...readOffer(child, context),
      content: context.content(child),
    }));
    if (choices.length === 0)
      context.report.error('no-choices', element.line, 'an order interaction has no choices');
    return {
      choices,
      shuffle: booleanAttribute(element, 'shuffle', false),
      horizontal: element.attributes.orientation === 'horizontal',
      counts: readSequenceCounts(element, choices.length),
    };
  },
  progress(model, response) {
    return sequenceProgress(sequenceOf(identifiersOf(model), response).length, model.counts);
  },
});
