import { defineLazyView } from '../types';

export const selectPointView = defineLazyView(
  'select-point',
  async () => (await import('./SelectPointView')).SelectPointView,
  () => import('./lesson'),
);
