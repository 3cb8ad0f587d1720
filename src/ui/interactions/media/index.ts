import { defineLazyView } from '../types';

export const mediaView = defineLazyView(
  'media',
  async () => (await import('./MediaView')).MediaView,
  () => import('./lesson'),
);
