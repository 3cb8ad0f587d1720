import { walkContent, type Content } from '../../item/content';
import { childOf, elementsOf, booleanAttribute, numberAttribute } from '../../qti/xml';
import { readOffer, type Offer } from '../offer';
import { placeable, piecesIn, placementOf, type Board } from '../placing';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface GapChoice extends Offer {
  readonly content: Content;
  /** How many copies may be used; 0 = any number. */
  readonly matchMax: number;
}
export interface GapMatchModel extends InteractionModel {
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
export const gapMatch = defineInteraction<GapMatchModel>({
  type: 'gap-match',
  element: 'qti-gap-match-interaction',
  inline: false,
  shuffles: ['choices'],
  binds: [
    { cardinality: 'multiple', baseTypes: ['directedPair'] },
    { cardinality: 'single', baseTypes: ['directedPair'] },
  ],
  read(element, context) {
    const choiceElements = elementsOf(element).filter((child) => /^qti-gap-(text|img)$/.test(child.name));
    const prompt = childOf(element, 'qti-prompt');
    const content = context.content({
      ...element,
      children: element.children.filter(
        (child) => child.kind === 'text' || (!choiceElements.includes(child) && child !== prompt),
      ),
    });
    const gaps: string[] = [];
    for (const node of walkContent(content))
      if (node.kind === 'place' && node.role === 'gap') gaps.push(node.identifier);
    if (gaps.length === 0)
      context.report.error('no-gaps', element.line, 'a gap match interaction has no gaps');
    if (choiceElements.length === 0)
      context.report.error('no-choices', element.line, 'a gap match interaction has nothing to place');
    return {
      choices: choiceElements.map((child) => ({
        ...readOffer(child, context),
        content: context.content(child),
        matchMax: numberAttribute(child, 'match-max', 1),
      })),
      content,
      gaps,
      minimum: numberAttribute(element, 'min-associations', 0),
      maximum: numberAttribute(element, 'max-associations', 0),
      shuffle: booleanAttribute(element, 'shuffle', false),
    };
  },
  progress(model, response) {
    const placement = placementOf(response);
    const filled = model.gaps.filter((gap) => piecesIn(placement, gap).length > 0).length;
    const most = placeable(gapBoard(model));
    const wanted = model.minimum > 0 ? Math.min(model.minimum, most) : most;
    if (filled === 0) return empty('boxEmpty', { count: wanted });
    return filled < wanted ? partial('boxEmpty', { count: wanted - filled }) : complete;
  },
});
