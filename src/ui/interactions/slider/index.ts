import { defineLazyView } from '../types';

export const sliderView = defineLazyView(
  'slider',
  async () => (await import('./SliderView')).SliderView,
  () => import('./lesson'),
);
