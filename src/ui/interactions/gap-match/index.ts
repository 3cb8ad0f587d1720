import { defineLazyView } from '../types';

export const gapMatchView = defineLazyView(
  'gap-match',
  async () => (await import('./GapMatchView')).GapMatchView,
  () => import('./lesson'),
);
