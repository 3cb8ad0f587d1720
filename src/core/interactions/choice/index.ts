import type { Content } from '../../item/content';
import { responseTexts, type RawResponse } from '../../item/response';
import { booleanAttribute, childOf, elementsOf } from '../../qti/xml';
import { countProgress, readCounts, type Counts } from '../counts';
import { defineInteraction, type InteractionModel } from '../types';

export interface Choice {
  readonly identifier: string;
  readonly fixed: boolean;
  readonly content: Content;
}
export interface ChoiceModel extends InteractionModel {
  readonly type: 'choice';
  readonly choices: readonly Choice[];
  readonly counts: Counts;
  readonly shuffle: boolean;
  readonly orientation: 'vertical' | 'horizontal';
}

/** What a press on a choice does: the new response, or why nothing changed. */
export type ChoiceMove =
  | { readonly kind: 'changed'; readonly response: RawResponse }
  | { readonly kind: 'full'; readonly maximum: number };

/**
 * Presses a choice. One of several: it becomes the answer. Several: on or off; one over the maximum changes nothing
 * and says so (items.md: neither taken silently nor drops another).
 */
export function pressChoice(
  model: ChoiceModel,
  response: RawResponse,
  identifier: string,
  multiple: boolean,
): ChoiceMove {
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
      identifier: child.attributes.identifier ?? '',
      fixed: booleanAttribute(child, 'fixed', false),
      content: context.content(child),
    }));
    if (choices.length === 0)
      context.report.error('no-choices', element.line, 'a choice interaction has no choices');
    const prompt = childOf(element, 'qti-prompt');
    return {
      choices,
      counts: readCounts(element, 'choices', context.shape?.cardinality === 'multiple' ? 0 : 1),
      shuffle: booleanAttribute(element, 'shuffle', false),
      orientation: element.attributes.orientation === 'horizontal' ? 'horizontal' : 'vertical',
      prompt: prompt ? context.content(prompt) : [],
    };
  },
  progress(model, response) {
    const known = new Set(model.choices.map((one) => one.identifier));
    return countProgress(responseTexts(response).filter((id) => known.has(id)).length, model.counts);
  },
});
