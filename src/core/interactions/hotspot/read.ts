import { type HotspotModel, hotspot } from './index';
import { defineReader, readCounts, readHotspots, readPicture } from '../reading';

/** Reads `qti-hotspot-interaction`. */
export const hotspotReader = defineReader<HotspotModel>({
  kind: hotspot,
  element: 'qti-hotspot-interaction',
  binds: [
    { cardinality: 'single', baseTypes: ['identifier'] },
    { cardinality: 'multiple', baseTypes: ['identifier'] },
  ],
  read(element, context) {
    return {
      picture: readPicture(element, context),
      hotspots: readHotspots(element, 'qti-hotspot-choice', context),
      counts: readCounts(element, 'choices', 1),
    };
  },
});
