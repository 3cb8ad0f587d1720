import type { TextEntryModel } from '@/core/interactions/text-entry';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<TextEntryModel>(
  { type: 'text-entry', inline: true, expectedLength: 8, patternMask: null, placeholder: '' },
  { cardinality: 'single', baseType: 'float' },
  [null, '3.', '3.25'],
);
