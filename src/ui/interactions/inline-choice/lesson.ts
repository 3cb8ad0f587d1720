import type { InlineChoiceModel } from '@/core/interactions/inline-choice';
import { lessonOf, offer } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<InlineChoiceModel>(
  { type: 'inline-choice', inline: true, choices: ['<', '=', '>'].map((n) => offer(n)), shuffle: false },
  { cardinality: 'single', baseType: 'identifier' },
  [null, '<'],
);
