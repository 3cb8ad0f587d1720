import type { EndAttemptModel } from '@/core/interactions/end-attempt';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<EndAttemptModel>(
  { type: 'end-attempt', inline: true, title: '?' },
  { cardinality: 'single', baseType: 'boolean' },
  [null, 'true'],
  'nothing',
);
