import { type ChoiceModel, choice } from './index';
import { readOffer, defineReader, isHorizontal, readCounts } from '../reading';
import { booleanAttribute, elementsOf } from '../../xml/xml';

/** Reads `qti-choice-interaction`. */
export const choiceReader = defineReader<ChoiceModel>({
  kind: choice,
  element: 'qti-choice-interaction',
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
      orientation: isHorizontal(element) ? 'horizontal' : 'vertical',
    };
  },
});
