import type { AssociateModel } from '@/core/interactions/associate';
import { lessonOf, offer } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<AssociateModel>(
  {
    type: 'associate',
    choices: ['1', '2', '4', '8'].map((n) => offer(n)),
    counts: { minimum: 2, maximum: 2 },
    shuffle: false,
  },
  { cardinality: 'multiple', baseType: 'pair' },
  [null, ['1 2'], ['1 2', '4 8']],
);
