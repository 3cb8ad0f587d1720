import { type AssociateModel, associate } from './index';
import { readOffer, defineReader, readCounts } from '../reading';
import { booleanAttribute, elementsOf, numberAttribute } from '../../xml/xml';

/** Reads `qti-associate-interaction`. */
export const associateReader = defineReader<AssociateModel>({
  kind: associate,
  element: 'qti-associate-interaction',
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
});
