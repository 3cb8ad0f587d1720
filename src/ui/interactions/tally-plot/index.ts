import { defineLazyView } from '../types';

export const tallyPlotView = defineLazyView(
  'tally-plot',
  async () => (await import('./TallyPlotView')).TallyPlotView,
  () => import('./lesson'),
);
