import { type InlineChoiceModel, inlineChoice } from './index';
import { readOffer, defineReader } from '../reading';
import { booleanAttribute, elementsOf } from '../../xml/xml';

/** Reads `qti-inline-choice-interaction`. */
export const inlineChoiceReader = defineReader<InlineChoiceModel>({
  kind: inlineChoice,
  element: 'qti-inline-choice-interaction',
  binds: [{ cardinality: 'single', baseTypes: ['identifier'] }],
  read(element, context) {
    const choices = elementsOf(element, 'qti-inline-choice').map((child) => ({
      ...readOffer(child, context),
      content: context.content(child),
    }));
    if (choices.length === 0) context.report.error('no-choices', element.line, 'a menu has no choices');
    return { choices, shuffle: booleanAttribute(element, 'shuffle', false) };
  },
});
