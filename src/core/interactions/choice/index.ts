import type { Content } from '../../item/content';
import { responseTexts, type RawResponse } from '../../item/response';
import { booleanAttribute, elementsOf } from '../../qti/xml';
import { countProgress, readCounts, type Counts } from '../counts';
import { readOffer, type Offer } from '../offer';
import type { Selection } from '../selecting';
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
  if (!multiple) return { kind: 'changed', response: identifier };
  const chosen = responseTexts(response);
  if (chosen.includes(identifier)) {
    const rest = chosen.filter((other) => other !== identifier);
    return { kind: 'changed', response: rest.length > 0 ? rest : null };
  }
  const { maximum } = model.counts;
  if (maximum > 0 && chosen.length >= maximum) return { kind: 'full', maximum };
  const order = model.choices.map((choice) => choice.identifier);
  const next = [...chosen, identifier].sort((a, b) => order.indexOf(a) - order.indexOf(b));
  return { kind: 'changed', response: next };
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
