import { defineLazyView } from '../types';

export const partitionView = defineLazyView(
  'partition',
  async () => (await import('./PartitionView')).PartitionView,
  () => import('./lesson'),
);
