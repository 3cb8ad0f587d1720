import { defineLazyView } from '../types';

export const coordinatePlaneView = defineLazyView(
  'coordinate-plane',
  async () => (await import('./CoordinatePlaneView')).CoordinatePlaneView,
  () => import('./lesson'),
);
