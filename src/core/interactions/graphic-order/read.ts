import { type GraphicOrderModel, graphicOrder } from './index';
import { defineReader, readHotspots, readPicture, readSequenceCounts } from '../reading';

/** Reads `qti-graphic-order-interaction`. */
export const graphicOrderReader = defineReader<GraphicOrderModel>({
  kind: graphicOrder,
  element: 'qti-graphic-order-interaction',
  binds: [{ cardinality: 'ordered', baseTypes: ['identifier'] }],
  read(element, context) {
    const hotspots = readHotspots(element, 'qti-hotspot-choice', context);
    return {
      picture: readPicture(element, context),
      hotspots,
      counts: readSequenceCounts(element, hotspots.length),
    };
  },
});
