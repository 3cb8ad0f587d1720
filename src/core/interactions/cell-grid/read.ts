import { type CellGridModel, cellGrid } from './index';
import { defineReader, readWhole } from '../reading';

/** Reads `urn:able-compass:cell-grid`. */
export const cellGridReader = defineReader<CellGridModel>({
  kind: cellGrid,
  element: 'urn:able-compass:cell-grid',
  binds: [{ cardinality: 'multiple', baseTypes: ['identifier'] }],
  read(element, context) {
    return {
      rows: readWhole(element, 'data-rows', 10, [1, 40], context),
      columns: readWhole(element, 'data-cols', 10, [1, 40], context),
    };
  },
});
