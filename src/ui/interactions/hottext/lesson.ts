import type { HottextModel } from '@/core/interactions/hottext';
import { lessonOf, paragraph, words } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<HottextModel>(
  {
    type: 'hottext',
    hottexts: ['A', 'B', 'C'],
    counts: { minimum: 1, maximum: 1 },
    content: paragraph(
      { kind: 'place', role: 'hottext', identifier: 'A', children: words('12') },
      ...words(' · '),
      { kind: 'place', role: 'hottext', identifier: 'B', children: words('15') },
      ...words(' · '),
      { kind: 'place', role: 'hottext', identifier: 'C', children: words('20') },
    ),
  },
  { cardinality: 'single', baseType: 'identifier' },
  [null, 'A', 'B'],
);
