import { type OrderModel, order } from './index';
import { readOffer, defineReader, isHorizontal, readSequenceCounts } from '../reading';
import { booleanAttribute, elementsOf } from '../../xml/xml';

/** Reads `qti-order-interaction`. */
export const orderReader = defineReader<OrderModel>({
  kind: order,
  element: 'qti-order-interaction',
  binds: [{ cardinality: 'ordered', baseTypes: ['identifier'] }],
  read(element, context) {
    const choices = elementsOf(element, 'qti-simple-choice').map((child) => ({
      ...readOffer(child, context),
      content: context.content(child),
    }));
    if (choices.length === 0)
      context.report.error('no-choices', element.line, 'an order interaction has no choices');
    return {
      choices,
      shuffle: booleanAttribute(element, 'shuffle', false),
      horizontal: isHorizontal(element),
      counts: readSequenceCounts(element, choices.length),
    };
  },
});
