import { defineLazyView } from '../types';

export const orderView = defineLazyView(
  'order',
  async () => (await import('./OrderView')).OrderView,
  () => import('./lesson'),
);
