import { defineLazyView } from '../types';

export const cellGridView = defineLazyView(
  'cell-grid',
  async () => (await import('./CellGridView')).CellGridView,
  () => import('./lesson'),
);
