import type { TallyPlotModel } from '@/core/interactions/tally-plot';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<TallyPlotModel>(
  { type: 'tally-plot', kind: 'bars', categories: ['A', 'B', 'C'], max: 6, step: 1, axisLabel: '' },
  { cardinality: 'ordered', baseType: 'float' },
  [null, ['4', '0', '0'], ['4', '2', '5']],
);
