import { identifiersIn } from '../offer';
import { choiceFault } from '../faults';
import { defineKind, type InteractionBase } from '../types';
import { responseTexts } from '../../content/response';
import { countProgress, type Counts } from '../counts';
import type { Hotspot } from '../hotspots';
import { type Picture, mapPicture } from '../picture';
import { spotName } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    hotspot: HotspotModel;
  }
}

export interface HotspotModel extends InteractionBase {
  readonly type: 'hotspot';
  readonly picture: Picture;
  readonly hotspots: readonly Hotspot[];
  readonly counts: Counts;
}

/** `qti-hotspot-interaction`: one or several places of a picture to press (QTI 3.0, "hotspot interaction"). */
export const hotspot = defineKind<HotspotModel>({
  type: 'hotspot',
  inline: false,
  offers: ['hotspots'],
  mapContents: (model, change) => ({ ...model, picture: mapPicture(model.picture, change) }),
  progress(model, response) {
    const known = new Set(model.hotspots.map((one) => one.identifier));
    return countProgress(responseTexts(response).filter((id) => known.has(id)).length, model.counts);
  },
  said(model, response) {
    const chosen = responseTexts(response);
    return model.hotspots
      .filter((one) => chosen.includes(one.identifier))
      .map((one) => ({ code: 'text', values: { text: spotName(model.hotspots, one.identifier) ?? '' } }));
  },
  fault: (model, texts) => choiceFault(identifiersIn(model.hotspots), texts, model.counts.maximum),
});
