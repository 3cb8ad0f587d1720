import type { CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<CoordinatePlaneModel>(
  {
    type: 'coordinate-plane',
    x: { min: 0, max: 8, step: 1, label: 'x' },
    y: { min: 0, max: 4, step: 1, label: 'y' },
    snap: { x: 1, y: 1 },
    tools: ['segment'],
    counts: { minimum: 1, maximum: 1 },
  },
  { cardinality: 'multiple', baseType: 'string' },
  [null, ['SEGMENT(1 1,3 1)'], ['SEGMENT(1 1,5 3)']],
);
