import type { SelectPointModel } from '@/core/interactions/select-point';
import { lessonOf, samplePicture } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<SelectPointModel>(
  { type: 'select-point', picture: samplePicture('1, 2, 3'), counts: { minimum: 1, maximum: 1 } },
  { cardinality: 'single', baseType: 'point' },
  [null, '160 60', '180 70'],
  'own',
);
