import type { Content } from '../../item/content';
import { responseTexts, type RawResponse } from '../../item/response';
import { booleanAttribute, elementsOf } from '../../qti/xml';
import { countProgress, readCounts, type Counts } from '../counts';
import { readOffer, type Offer } from '../offer';
import { pressOne, type Selection } from '../selecting';
import { defineInteraction, type InteractionModel } from '../types';

export interface Choice extends Offer {
  readonly content: Content;
}
export interface ChoiceModel extends InteractionModel {
  readonly type: 'choice';
  readonly choices: readonly Choice[];
  readonly counts: Counts;
  readonly shuffle: boolean;
  readonly orientation: 'vertical' | 'horizontal';
}

/**
 * Presses a choice. One of several: it becomes the answer. Several: on or off; one over the maximum changes nothing
 * and says so (items.md: neither taken silently nor drops another).
 */
export function pressChoice(
  model: ChoiceModel,
  response: RawResponse,
  identifier: string,
  multiple: boolean,
): Selection {
  // One of several stays chosen when it is pressed again, as round marks do.
  if (!multiple) return { kind: 'changed', response: identifier };
  if (model.counts.maximum === 1) return { kind: 'changed', response: [identifier] };
  const order = model.choices.map((choice) => choice.identifier);
  return pressOne(order, model.counts.maximum, response, identifier, multiple);
}

/** `qti-choice-interaction`: one or several of a list (QTI 3.0, "choice interaction"). */
export const choice = defineInteraction<ChoiceModel>({
  type: 'choice',
  element: 'qti-choice-interaction',
  inline: false,
  shuffles: ['choices'],
  binds: [
    { cardinality: 'single', baseTypes: ['identifier'] },
    { cardinality: 'multiple', baseTypes: ['identifier'] },
  ],
  read(element, context) {
    const choices = elementsOf(element, 'qti-simple-choice').map((child) => ({
      ...readOffer(child, context),
      content: context.content(child),
    }));
    if (choices.length === 0)
      context.report.error('no-choices', element.line, 'a choice interaction has no choices');
    return {
      choices,
      counts: readCounts(element, 'choices', context.shape?.cardinality === 'multiple' ? 0 : 1),
      shuffle: booleanAttribute(element, 'shuffle', false),
      orientation: element.attributes.orientation === 'horizontal' ? 'horizontal' : 'vertical',
    };
  },
  progress(model, response) {
    const known = new Set(model.choices.map((one) => one.identifier));
    return countProgress(responseTexts(response).filter((id) => known.has(id)).length, model.counts);
  },
});
