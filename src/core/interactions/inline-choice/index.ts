import { choiceFault } from '../faults';
import { defineKind, complete, empty, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import { responseTexts } from '../../content/response';
import { type Offer, identifiersIn, mapOffers } from '../offer';
import { saidChoices } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'inline-choice': InlineChoiceModel;
  }
}

export interface InlineChoiceModel extends InteractionBase {
  readonly type: 'inline-choice';
  readonly choices: readonly (Offer & { readonly content: Content })[];
  readonly shuffle: boolean;
}

/** `qti-inline-choice-interaction`: a menu inside a sentence (QTI 3.0, "inline choice interaction"). */
export const inlineChoice = defineKind<InlineChoiceModel>({
  type: 'inline-choice',
  inline: true,
  offers: ['choices'],
  mapContents: (model, change) => ({ ...model, choices: mapOffers(model.choices, change) }),
  shuffles: ['choices'],
  progress(model, response) {
    const chosen = responseTexts(response)[0];
    return model.choices.some((one) => one.identifier === chosen)
      ? complete
      : empty('menuEmpty', { count: 1 });
  },
  said: (model, response) => saidChoices(model.choices, response),
  fault: (model, texts) => choiceFault(identifiersIn(model.choices), texts, 1),
});
