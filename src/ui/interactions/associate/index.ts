import { defineLazyView } from '../types';

export const associateView = defineLazyView(
  'associate',
  async () => (await import('./AssociateView')).AssociateView,
  () => import('./lesson'),
);
