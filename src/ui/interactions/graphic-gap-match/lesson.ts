import type { GraphicGapMatchModel } from '@/core/interactions/graphic-gap-match';
import { lessonOf, offer, samplePicture, sampleSpots } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<GraphicGapMatchModel>(
  {
    type: 'graphic-gap-match',
    picture: samplePicture('1, 2, 3'),
    choices: ['A', 'B'].map((n) => offer(n)),
    hotspots: sampleSpots().slice(0, 2),
    minimum: 0,
    maximum: 0,
    shuffle: false,
  },
  { cardinality: 'multiple', baseType: 'directedPair' },
  [null, ['A C'], ['A C', 'B S']],
);
