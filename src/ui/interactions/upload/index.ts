import { defineLazyView } from '../types';

export const uploadView = defineLazyView(
  'upload',
  async () => (await import('./UploadView')).UploadView,
  () => import('./lesson'),
);
