import type { ExtendedTextModel } from '@/core/interactions/extended-text';
import { defineLazyView } from '../types';

export const extendedTextView = defineLazyView<ExtendedTextModel>(
  'extended-text',
  async () => (await import('./ExtendedTextView')).ExtendedTextView,
  () => import('./lesson'),
  (model) => (model.format === 'xhtml' || model.spelling ? import('./RichEditor') : null),
);
