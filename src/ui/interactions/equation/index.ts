import { defineLazyView } from '../types';

export const equationView = defineLazyView(
  'equation',
  async () => (await import('./EquationView')).EquationView,
  () => import('./lesson'),
  () => import('./MathEditor'),
);
