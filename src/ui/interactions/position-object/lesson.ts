import type { PositionObjectModel } from '@/core/interactions/position-object';
import { lessonOf, samplePicture } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<PositionObjectModel>(
  {
    type: 'position-object',
    stage: samplePicture('1, 2, 3'),
    object: { ...samplePicture('•'), width: 72, height: 28 },
    centre: null,
    counts: { minimum: 1, maximum: 1 },
  },
  { cardinality: 'single', baseType: 'point' },
  [null, '180 40', '290 80'],
  'own',
);
