import { defineLazyView } from '../types';

export const numberLineView = defineLazyView(
  'number-line',
  async () => (await import('./NumberLineView')).NumberLineView,
  () => import('./lesson'),
);
