import type { GraphicAssociateModel } from '@/core/interactions/graphic-associate';
import { lessonOf, samplePicture, sampleSpots } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<GraphicAssociateModel>(
  {
    type: 'graphic-associate',
    picture: samplePicture('1, 2, 3'),
    hotspots: sampleSpots(2),
    counts: { minimum: 2, maximum: 2 },
  },
  { cardinality: 'multiple', baseType: 'pair' },
  [null, ['C S'], ['C S', 'S T']],
);
