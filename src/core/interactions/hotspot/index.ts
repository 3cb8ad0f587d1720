import { responseTexts } from '../../item/response';
import { countProgress, readCounts, type Counts } from '../counts';
import { readHotspots, type Hotspot } from '../hotspots';
import { readPicture, type Picture } from '../picture';
import { defineInteraction, type InteractionModel } from '../types';

export interface HotspotModel extends InteractionModel {
  readonly type: 'hotspot';
  readonly picture: Picture;
  readonly hotspots: readonly Hotspot[];
  readonly counts: Counts;
}

/** `qti-hotspot-interaction`: one or several places of a picture to press (QTI 3.0, "hotspot interaction"). */
export const hotspot = defineInteraction<HotspotModel>({
  type: 'hotspot',
  element: 'qti-hotspot-interaction',
  inline: false,
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
  progress(model, response) {
    const known = new Set(model.hotspots.map((one) => one.identifier));
    return countProgress(responseTexts(response).filter((id) => known.has(id)).length, model.counts);
  },
});
