import { defineLazyView } from '../types';

export const graphicAssociateView = defineLazyView(
  'graphic-associate',
  async () => (await import('./GraphicAssociateView')).GraphicAssociateView,
  () => import('./lesson'),
);
