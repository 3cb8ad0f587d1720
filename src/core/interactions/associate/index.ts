import type { Content } from '../../item/content';
import { booleanAttribute, elementsOf, numberAttribute } from '../../qti/xml';
import { readCounts, type Counts } from '../counts';
import { joinProgress, type Joinable } from '../joining';
import { readOffer, type Offer } from '../offer';
import { defineInteraction, type InteractionModel } from '../types';

export interface AssociableChoice extends Offer, Joinable {
  readonly content: Content;
}
export interface AssociateModel extends InteractionModel {
  readonly type: 'associate';
  readonly choices: readonly AssociableChoice[];
  readonly counts: Counts;
  readonly shuffle: boolean;
}

/** `qti-associate-interaction`: pairs made from one list, in either order (QTI 3.0, "associate interaction"). */
export const associate = defineInteraction<AssociateModel>({
  type: 'associate',
  element: 'qti-associate-interaction',
  inline: false,
  shuffles: ['choices'],
  binds: [
    { cardinality: 'multiple', baseTypes: ['pair'] },
    { cardinality: 'single', baseTypes: ['pair'] },
  ],
  read(element, context) {
    const choices = elementsOf(element, 'qti-simple-associable-choice').map((child) => ({
      ...readOffer(child, context),
      content: context.content(child),
      matchMax: numberAttribute(child, 'match-max', 1),
      matchMin: numberAttribute(child, 'match-min', 0),
    }));
    if (choices.length === 0)
      context.report.error('no-choices', element.line, 'an associate interaction has no choices');
    return {
      choices,
      counts: readCounts(element, 'associations', 1),
      shuffle: booleanAttribute(element, 'shuffle', false),
    };
  },
  progress: (model, response) => joinProgress(model.choices, model.counts, response),
});
