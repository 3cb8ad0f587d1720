import { loadFaces } from '../../kit/fonts';
import { defineLazyView } from '../types';

export const equationView = defineLazyView(
  'equation',
  async () => (await import('./EquationView')).EquationView,
  () => import('./lesson'),
  // The editor brings fonts of its own, which must be here too.
  async () => {
    await import('./MathEditor');
    await loadFaces(/KaTeX/);
  },
);
