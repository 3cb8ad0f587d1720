import type { CellGridModel } from '@/core/interactions/cell-grid';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<CellGridModel>(
  { type: 'cell-grid', rows: 3, columns: 6 },
  { cardinality: 'multiple', baseType: 'identifier' },
  [null, ['r1c1'], ['r1c1', 'r1c2', 'r1c3', 'r2c1', 'r2c2', 'r2c3']],
);
