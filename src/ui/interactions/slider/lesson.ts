import type { SliderModel } from '@/core/interactions/slider';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<SliderModel>(
  { type: 'slider', lower: 0, upper: 10, step: 1, vertical: false, reverse: false },
  { cardinality: 'single', baseType: 'integer' },
  [null, '3', '8'],
);
