import type { Content } from '../../item/content';
import { booleanAttribute, elementsOf, numberAttribute } from '../../qti/xml';
import { readHotspots, type Hotspot } from '../hotspots';
import { readOffer, type Offer } from '../offer';
import { readPicture, type Picture } from '../picture';
import { piecesIn, placeable, placementOf, type Board } from '../placing';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface GraphicPiece extends Offer {
  readonly content: Content;
  readonly matchMax: number;
}
export interface GraphicGapMatchModel extends InteractionModel {
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
export const graphicGapMatch = defineInteraction<GraphicGapMatchModel>({
  type: 'graphic-gap-match',
  element: 'qti-graphic-gap-match-interaction',
  inline: false,
  shuffles: ['choices'],
  binds: [
    { cardinality: 'multiple', baseTypes: ['directedPair'] },
    { cardinality: 'single', baseTypes: ['directedPair'] },
  ],
  read(element, context) {
    const pieces = elementsOf(element).filter((child) => /^qti-gap-(text|img)$/.test(child.name));
    if (pieces.length === 0)
      context.report.error(
        'no-choices',
        element.line,
        'a graphic gap match interaction has nothing to place',
      );
    return {
      picture: readPicture(element, context),
      choices: pieces.map((child) => ({
        ...readOffer(child, context),
        content: context.content(child),
        matchMax: numberAttribute(child, 'match-max', 1),
      })),
      hotspots: readHotspots(element, 'qti-associable-hotspot', context),
      minimum: numberAttribute(element, 'min-associations', 0),
      maximum: numberAttribute(element, 'max-associations', 0),
      shuffle: booleanAttribute(element, 'shuffle', false),
    };
  },
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
});
