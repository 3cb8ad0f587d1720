import type { Content } from '../../item/content';
import { responseTexts, type RawResponse } from '../../item/response';
import { booleanAttribute, childOf, elementsOf } from '../../qti/xml';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface OrderChoice {
  readonly identifier: string;
  readonly fixed: boolean;
  readonly content: Content;
}
export interface OrderModel extends InteractionModel {
  readonly type: 'order';
  readonly choices: readonly OrderChoice[];
  readonly shuffle: boolean;
  readonly horizontal: boolean;
}

/** The order on the screen: the answer where there is one, else as delivered. Choices an answer lacks come last. */
export function shownOrder(model: OrderModel, response: RawResponse): string[] {
  const all = model.choices.map((choice) => choice.identifier);
  const set = responseTexts(response).filter(
    (identifier, i, list) => all.includes(identifier) && list.indexOf(identifier) === i,
  );
  return [...set, ...all.filter((identifier) => !set.includes(identifier))];
}

/** Moves one to a place (from 0); the others close up. */
export function moveTo(order: readonly string[], identifier: string, place: number): string[] {
  const rest = order.filter((other) => other !== identifier);
  const at = Math.max(0, Math.min(rest.length, place));
  return [...rest.slice(0, at), identifier, ...rest.slice(at)];
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
      identifier: child.attributes.identifier ?? '',
      fixed: booleanAttribute(child, 'fixed', false),
      content: context.content(child),
    }));
    if (choices.length === 0)
      context.report.error('no-choices', element.line, 'an order interaction has no choices');
    const some =
      Number(element.attributes['max-choices'] ?? choices.length) < choices.length ||
      element.attributes['min-choices'] !== undefined;
    if (some)
      context.report.error(
        'unsupported-interaction',
        element.line,
        'ordering only some of the choices is not supported yet',
      );
    const prompt = childOf(element, 'qti-prompt');
    return {
      choices,
      shuffle: booleanAttribute(element, 'shuffle', false),
      horizontal: element.attributes.orientation === 'horizontal',
      prompt: prompt ? context.content(prompt) : [],
    };
  },
  progress(model, response) {
    const known = new Set(model.choices.map((one) => one.identifier));
    const placed = new Set(responseTexts(response).filter((identifier) => known.has(identifier))).size;
    if (placed === 0) return empty('notSet');
    return placed < known.size ? partial('notSet') : complete;
  },
});
