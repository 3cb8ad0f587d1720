import { PARTITION_SHAPES, type PartitionModel, partition } from './index';
import { defineReader, readWhole } from '../reading';

/** Reads `urn:able-compass:partition`. */
export const partitionReader = defineReader<PartitionModel>({
  kind: partition,
  element: 'urn:able-compass:partition',
  binds: [{ cardinality: 'ordered', baseTypes: ['boolean'] }],
  read(element, context) {
    const partsMin = readWhole(element, 'data-parts-min', 1, [1, 100], context);
    const partsMax = readWhole(element, 'data-parts-max', Math.max(12, partsMin), [1, 100], context);
    if (partsMax < partsMin)
      context.report.error('property', element.line, 'data-parts-max is below data-parts-min');
    const start = readWhole(element, 'data-start', partsMin, [1, 100], context);
    return {
      shape: PARTITION_SHAPES.find((one) => one === element.attributes['data-shape']) ?? 'circle',
      partsMin,
      partsMax,
      start: Math.max(partsMin, Math.min(partsMax, start)),
    };
  },
});
