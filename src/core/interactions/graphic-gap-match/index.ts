import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import type { Hotspot } from '../hotspots';
import { type Offer, mapOffers } from '../offer';
import { type Picture, mapPicture } from '../picture';
import { boardFault, piecesIn, placeable, placementOf, type Board } from '../placing';
import { saidPairs, spotName, wordsOf } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'graphic-gap-match': GraphicGapMatchModel;
  }
}

export interface GraphicPiece extends Offer {
  readonly content: Content;
  readonly matchMax: number;
}
export interface GraphicGapMatchModel extends InteractionBase {
  readonly type: 'graphic-gap-match';
  readonly picture: Picture;
  readonly choices: readonly GraphicPiece[];
  readonly hotspots: readonly Hotspot[];
  /** How many must be placed when the package says so; 0 = every place has one. */
  readonly minimum: number;
  readonly maximum: number;
  readonly shuffle: boolean;
}

/** The places of the picture, each for as many pieces as it takes. */
export const pictureBoard = (model: GraphicGapMatchModel): Board => ({
  pieces: model.choices,
  places: model.hotspots.map(({ identifier, matchMax }) => ({ identifier, capacity: matchMax })),
  maximum: model.maximum,
});

/** `qti-graphic-gap-match-interaction`: pieces onto places of a picture (QTI 3.0, "graphic gap match interaction"). */
export const graphicGapMatch = defineKind<GraphicGapMatchModel>({
  type: 'graphic-gap-match',
  inline: false,
  offers: ['choices', 'hotspots'],
  mapContents: (model, change) => ({
    ...model,
    picture: mapPicture(model.picture, change),
    choices: mapOffers(model.choices, change),
  }),
  shuffles: ['choices'],
  progress(model, response) {
    const placement = placementOf(response);
    const most = placeable(pictureBoard(model));
    if (model.minimum > 0) {
      const left = Math.min(model.minimum, most) - placement.length;
      if (placement.length === 0) return empty('boxEmpty', { count: left });
      return left > 0 ? partial('boxEmpty', { count: left }) : complete;
    }
    const filled = model.hotspots.filter(
      ({ identifier, matchMin }) => piecesIn(placement, identifier).length >= Math.max(1, matchMin),
    ).length;
    const wanted = Math.min(model.hotspots.length, most);
    if (placement.length === 0) return empty('boxEmpty', { count: wanted });
    return filled < wanted ? partial('boxEmpty', { count: wanted - filled }) : complete;
  },
  said: (model, response) =>
    saidPairs(
      response,
      (piece) => wordsOf(model.choices, piece),
      (place) => spotName(model.hotspots, place),
      'placed',
    ),
  fault: (model, texts) => boardFault(pictureBoard(model), texts),
});
