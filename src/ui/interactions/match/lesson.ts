import type { MatchModel } from '@/core/interactions/match';
import { lessonOf, offer } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<MatchModel>(
  {
    type: 'match',
    rows: ['1 + 1', '2 + 2'].map((n, i) => offer(`r${i}`, n)),
    columns: ['2', '4'].map((n, i) => offer(`c${i}`, n)),
    minAssociations: 0,
    maxAssociations: 2,
    shuffle: false,
  },
  { cardinality: 'multiple', baseType: 'directedPair' },
  [null, ['r0 c0'], ['r0 c0', 'r1 c1']],
);
