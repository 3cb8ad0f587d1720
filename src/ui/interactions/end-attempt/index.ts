import { defineLazyView } from '../types';

export const endAttemptView = defineLazyView(
  'end-attempt',
  async () => (await import('./EndAttemptView')).EndAttemptView,
  () => import('./lesson'),
);
