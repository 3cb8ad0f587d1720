import type { Content } from '../../item/content';
import { responseTexts } from '../../item/response';
import { booleanAttribute, elementsOf } from '../../qti/xml';
import { readOffer, type Offer } from '../offer';
import { complete, defineInteraction, empty, type InteractionModel } from '../types';

export interface InlineChoiceModel extends InteractionModel {
  readonly type: 'inline-choice';
  readonly choices: readonly (Offer & { readonly content: Content })[];
  readonly shuffle: boolean;
}

/** `qti-inline-choice-interaction`: a menu inside a sentence (QTI 3.0, "inline choice interaction"). */
export const inlineChoice = defineInteraction<InlineChoiceModel>({
  type: 'inline-choice',
  element: 'qti-inline-choice-interaction',
  inline: true,
  shuffles: ['choices'],
  binds: [{ cardinality: 'single', baseTypes: ['identifier'] }],
  read(element, context) {
    const choices = elementsOf(element, 'qti-inline-choice').map((child) => ({
      ...readOffer(child, context),
      content: context.content(child),
    }));
    if (choices.length === 0) context.report.error('no-choices', element.line, 'a menu has no choices');
    return { choices, shuffle: booleanAttribute(element, 'shuffle', false) };
  },
  progress(model, response) {
    const chosen = responseTexts(response)[0];
    return model.choices.some((one) => one.identifier === chosen)
      ? complete
      : empty('menuEmpty', { count: 1 });
  },
});
