import { type GraphicGapMatchModel, graphicGapMatch } from './index';
import { readOffer, defineReader, readHotspots, readPicture } from '../reading';
import { booleanAttribute, elementsOf, numberAttribute } from '../../xml/xml';

/** Reads `qti-graphic-gap-match-interaction`. */
export const graphicGapMatchReader = defineReader<GraphicGapMatchModel>({
  kind: graphicGapMatch,
  element: 'qti-graphic-gap-match-interaction',
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
});
