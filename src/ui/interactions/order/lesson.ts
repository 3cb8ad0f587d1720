import type { OrderModel } from '@/core/interactions/order';
import { lessonOf, offer } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<OrderModel>(
  {
    type: 'order',
    choices: ['20', '5', '12'].map((n) => offer(n)),
    shuffle: false,
    horizontal: false,
    counts: { minimum: 3, maximum: 3 },
  },
  { cardinality: 'ordered', baseType: 'identifier' },
  [null, ['5', '20', '12'], ['5', '12', '20']],
);
