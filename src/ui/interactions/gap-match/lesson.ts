import type { GapMatchModel } from '@/core/interactions/gap-match';
import { lessonOf, offer, paragraph, words } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<GapMatchModel>(
  {
    type: 'gap-match',
    choices: ['2', '3', '6'].map((n) => offer(n)),
    gaps: ['A', 'B'],
    minimum: 0,
    maximum: 0,
    shuffle: false,
    content: paragraph(
      { kind: 'place', role: 'gap', identifier: 'A', children: [] },
      ...words(' × '),
      { kind: 'place', role: 'gap', identifier: 'B', children: [] },
      ...words(' = 6'),
    ),
  },
  { cardinality: 'multiple', baseType: 'directedPair' },
  [null, ['6 A'], ['2 A'], ['2 A', '3 B']],
);
