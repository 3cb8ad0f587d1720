import { defineLazyView } from '../types';
import { frameProgram } from './frameDocument';

export const portableCustomView = defineLazyView(
  'portable-custom',
  async () => (await import('./PortableCustomView')).PortableCustomView,
  () => import('./lesson'),
  () => frameProgram().catch(() => undefined),
);
