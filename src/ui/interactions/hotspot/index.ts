import { defineLazyView } from '../types';

export const hotspotView = defineLazyView(
  'hotspot',
  async () => (await import('./HotspotView')).HotspotView,
  () => import('./lesson'),
);
