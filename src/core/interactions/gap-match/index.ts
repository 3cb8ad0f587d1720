import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import type { Content } from '../../content/content';
import { type Offer, mapOffers } from '../offer';
import { boardFault, placeable, piecesIn, placementOf, type Board } from '../placing';
import { saidPairs, wordsOf } from '../said';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'gap-match': GapMatchModel;
  }
}

export interface GapChoice extends Offer {
  readonly content: Content;
  /** How many copies may be used; 0 = any number. */
  readonly matchMax: number;
}
export interface GapMatchModel extends InteractionBase {
  readonly type: 'gap-match';
  readonly choices: readonly GapChoice[];
  /** The text with its gaps as places. */
  readonly content: Content;
  readonly gaps: readonly string[];
  /** How many gaps must be filled when the package says so; 0 = every gap. */
  readonly minimum: number;
  /** How many may be filled in all; 0 = any number. */
  readonly maximum: number;
  readonly shuffle: boolean;
}

/** The gaps as places for one piece each. */
export const gapBoard = (model: GapMatchModel): Board => ({
  pieces: model.choices,
  places: model.gaps.map((identifier) => ({ identifier, capacity: 1 })),
  maximum: model.maximum,
});

/** `qti-gap-match-interaction`: words or pictures into the gaps of a text (QTI 3.0, "gap match interaction"). */
export const gapMatch = defineKind<GapMatchModel>({
  type: 'gap-match',
  inline: false,
  offers: ['choices'],
  mapContents: (model, change) => ({
    ...model,
    choices: mapOffers(model.choices, change),
    content: change(model.content),
  }),
  shuffles: ['choices'],
  progress(model, response) {
    const placement = placementOf(response);
    const filled = model.gaps.filter((gap) => piecesIn(placement, gap).length > 0).length;
    const most = placeable(gapBoard(model));
    const wanted = model.minimum > 0 ? Math.min(model.minimum, most) : most;
    if (filled === 0) return empty('boxEmpty', { count: wanted });
    return filled < wanted ? partial('boxEmpty', { count: wanted - filled }) : complete;
  },
  said: (model, response) =>
    saidPairs(
      response,
      (piece) => wordsOf(model.choices, piece),
      (gap) => ({ code: 'gap', values: { index: model.gaps.indexOf(gap) + 1, total: model.gaps.length } }),
      'placed',
    ),
  fault: (model, texts) => boardFault(gapBoard(model), texts),
});
