import type { HotspotModel } from '@/core/interactions/hotspot';
import { lessonOf, samplePicture, sampleSpots } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<HotspotModel>(
  {
    type: 'hotspot',
    picture: samplePicture('1, 2, 3'),
    hotspots: sampleSpots(),
    counts: { minimum: 1, maximum: 1 },
  },
  { cardinality: 'single', baseType: 'identifier' },
  [null, 'S', 'T'],
);
