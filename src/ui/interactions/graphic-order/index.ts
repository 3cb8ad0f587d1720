import { defineLazyView } from '../types';

export const graphicOrderView = defineLazyView(
  'graphic-order',
  async () => (await import('./GraphicOrderView')).GraphicOrderView,
  () => import('./lesson'),
);
