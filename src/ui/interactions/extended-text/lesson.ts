import type { ExtendedTextModel } from '@/core/interactions/extended-text';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<ExtendedTextModel>(
  {
    type: 'extended-text',
    format: 'plain',
    spelling: false,
    lines: 3,
    expectedLength: null,
    minStrings: 1,
    placeholder: '',
    counter: 'up',
  },
  { cardinality: 'single', baseType: 'string' },
  [null, 'The tide ', 'The tide turns at noon.'],
  'own',
);
