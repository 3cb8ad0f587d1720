import { choiceFault } from '../faults';
import { defineKind, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import { responseTexts, type RawResponse } from '../../content/response';
import { countProgress, type Counts } from '../counts';
import { type Offer, identifiersIn, mapOffers } from '../offer';
import { pressOne, type Selection } from '../selecting';
import { saidChoices } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    choice: ChoiceModel;
  }
}

export interface Choice extends Offer {
  readonly content: Content;
}
export interface ChoiceModel extends InteractionBase {
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
export const choice = defineKind<ChoiceModel>({
  type: 'choice',
  inline: false,
  offers: ['choices'],
  mapContents: (model, change) => ({ ...model, choices: mapOffers(model.choices, change) }),
  shuffles: ['choices'],
  progress(model, response) {
    const known = new Set(model.choices.map((one) => one.identifier));
    return countProgress(responseTexts(response).filter((id) => known.has(id)).length, model.counts);
  },
  said: (model, response) => saidChoices(model.choices, response),
  fault: (model, texts) => choiceFault(identifiersIn(model.choices), texts, model.counts.maximum),
});
