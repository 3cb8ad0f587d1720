import { defineLazyView } from '../types';

export const hottextView = defineLazyView(
  'hottext',
  async () => (await import('./HottextView')).HottextView,
  () => import('./lesson'),
);
