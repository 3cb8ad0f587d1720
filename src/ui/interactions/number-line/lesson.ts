import type { NumberLineModel } from '@/core/interactions/number-line';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<NumberLineModel>(
  {
    type: 'number-line',
    mode: 'points',
    counts: { minimum: 1, maximum: 1 },
    scale: { min: '0', max: '2', step: '1', minor: 4, labels: 'decimal' },
  },
  { cardinality: 'multiple', baseType: 'float' },
  [null, ['1'], ['1.25']],
);
