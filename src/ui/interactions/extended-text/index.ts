import { defineView } from '../types';
import { ExtendedTextView } from './ExtendedTextView';

export const extendedTextView = defineView(
  'extended-text',
  ExtendedTextView,
  () => import('./lesson'),
  (model) => (model.format === 'xhtml' || model.spelling ? import('./RichEditor') : null),
);
