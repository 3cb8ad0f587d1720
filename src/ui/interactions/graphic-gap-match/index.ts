import { defineLazyView } from '../types';

export const graphicGapMatchView = defineLazyView(
  'graphic-gap-match',
  async () => (await import('./GraphicGapMatchView')).GraphicGapMatchView,
  () => import('./lesson'),
);
