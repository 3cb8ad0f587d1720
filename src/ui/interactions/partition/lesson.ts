import type { PartitionModel } from '@/core/interactions/partition';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<PartitionModel>(
  { type: 'partition', shape: 'bar', partsMin: 1, partsMax: 8, start: 1 },
  { cardinality: 'ordered', baseType: 'boolean' },
  [null, ['false', 'false', 'false'], ['true', 'true', 'false']],
);
