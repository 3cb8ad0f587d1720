import { defineLazyView } from '../types';

export const drawingView = defineLazyView(
  'drawing',
  async () => (await import('./DrawingView')).DrawingView,
  () => import('./lesson'),
);
