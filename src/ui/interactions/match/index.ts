import { defineLazyView } from '../types';

export const matchView = defineLazyView(
  'match',
  async () => (await import('./MatchView')).MatchView,
  () => import('./lesson'),
);
