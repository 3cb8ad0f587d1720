import type { ChoiceModel } from '@/core/interactions/choice';
import { lessonOf, offer } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<ChoiceModel>(
  {
    type: 'choice',
    choices: ['4', '5', '6'].map((n) => offer(n)),
    counts: { minimum: 1, maximum: 1 },
    shuffle: false,
    orientation: 'vertical',
  },
  { cardinality: 'single', baseType: 'identifier' },
  [null, '4', '5'],
);
