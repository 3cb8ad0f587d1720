import type { GraphicOrderModel } from '@/core/interactions/graphic-order';
import { lessonOf, samplePicture, sampleSpots } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<GraphicOrderModel>(
  {
    type: 'graphic-order',
    picture: samplePicture('1, 2, 3'),
    hotspots: sampleSpots(),
    counts: { minimum: 3, maximum: 3 },
  },
  { cardinality: 'ordered', baseType: 'identifier' },
  [null, ['T'], ['T', 'C', 'S'], ['C', 'T', 'S']],
);
