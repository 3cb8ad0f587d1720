import { type GraphicAssociateModel, graphicAssociate } from './index';
import { defineReader, readCounts, readHotspots, readPicture } from '../reading';

/** Reads `qti-graphic-associate-interaction`. */
export const graphicAssociateReader = defineReader<GraphicAssociateModel>({
  kind: graphicAssociate,
  element: 'qti-graphic-associate-interaction',
  binds: [
    { cardinality: 'multiple', baseTypes: ['pair'] },
    { cardinality: 'single', baseTypes: ['pair'] },
  ],
  read(element, context) {
    return {
      picture: readPicture(element, context),
      hotspots: readHotspots(element, 'qti-associable-hotspot', context),
      counts: readCounts(element, 'associations', 1),
    };
  },
});
