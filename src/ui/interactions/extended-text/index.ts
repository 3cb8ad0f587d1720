import type { ExtendedTextModel } from '@/core/interactions/extended-text';
import { defineLazyView } from '../types';

export const extendedTextView = defineLazyView<ExtendedTextModel>(
  'extended-text',
  async () => (await import('./ExtendedTextView')).ExtendedTextView,
  () => import('./lesson'),
  async (model) => {
    if (model.format !== 'xhtml' && !model.spelling) return;
    await import('./RichEditor');
    if (model.spelling) (await import('./spelling')).startSpelling();
  },
);
