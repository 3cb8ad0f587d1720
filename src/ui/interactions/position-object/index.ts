import { defineLazyView } from '../types';

export const positionObjectView = defineLazyView(
  'position-object',
  async () => (await import('./PositionObjectView')).PositionObjectView,
  () => import('./lesson'),
);
