import type { MediaModel } from '@/core/interactions/media';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<MediaModel>(
  { type: 'media', content: [], minPlays: 1, maxPlays: 2, loop: false },
  { cardinality: 'single', baseType: 'integer' },
  [null, '1'],
  'nothing',
);
