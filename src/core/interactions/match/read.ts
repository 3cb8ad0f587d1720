import { type MatchModel, match } from './index';
import { readOffer, defineReader } from '../reading';
import { booleanAttribute, elementsOf, numberAttribute } from '../../xml/xml';

/** Reads `qti-match-interaction`. */
export const matchReader = defineReader<MatchModel>({
  kind: match,
  element: 'qti-match-interaction',
  binds: [
    { cardinality: 'multiple', baseTypes: ['directedPair'] },
    { cardinality: 'single', baseTypes: ['directedPair'] },
  ],
  read(element, context) {
    const sets = elementsOf(element, 'qti-simple-match-set').map((set) =>
      elementsOf(set, 'qti-simple-associable-choice').map((child) => ({
        ...readOffer(child, context),
        content: context.content(child),
        matchMax: numberAttribute(child, 'match-max', 1),
        matchMin: numberAttribute(child, 'match-min', 0),
      })),
    );
    const [rows = [], columns = []] = sets;
    if (sets.length !== 2 || rows.length === 0 || columns.length === 0) {
      context.report.error(
        'match-sets',
        element.line,
        'a match interaction needs two sets with choices in them',
      );
    }
    return {
      rows,
      columns,
      // The standard's default of one pair would make a grid whose rows all want a mark unanswerable: unwritten is no limit.
      minAssociations: numberAttribute(element, 'min-associations', 0),
      maxAssociations: numberAttribute(element, 'max-associations', 0),
      shuffle: booleanAttribute(element, 'shuffle', false),
    };
  },
});
