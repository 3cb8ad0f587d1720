import { type HottextModel, hottext } from './index';
import { defineReader, readCounts } from '../reading';
import { walkContent } from '../../content/content';
import { childOf } from '../../xml/xml';

/** Reads `qti-hottext-interaction`. */
export const hottextReader = defineReader<HottextModel>({
  kind: hottext,
  element: 'qti-hottext-interaction',
  binds: [
    { cardinality: 'single', baseTypes: ['identifier'] },
    { cardinality: 'multiple', baseTypes: ['identifier'] },
  ],
  read(element, context) {
    const prompt = childOf(element, 'qti-prompt');
    const content = context.content({
      ...element,
      children: element.children.filter((child) => child !== prompt),
    });
    const hottexts: string[] = [];
    for (const node of walkContent(content))
      if (node.kind === 'place' && node.role === 'hottext') hottexts.push(node.identifier);
    if (hottexts.length === 0)
      context.report.error('no-choices', element.line, 'a hottext interaction has no qti-hottext');
    return { content, hottexts, counts: readCounts(element, 'choices', 1) };
  },
});
