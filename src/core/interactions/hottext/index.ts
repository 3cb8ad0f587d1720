import { walkContent, type Content } from '../../item/content';
import { responseTexts } from '../../item/response';
import { childOf } from '../../qti/xml';
import { countProgress, readCounts, type Counts } from '../counts';
import { defineInteraction, type InteractionModel } from '../types';

export interface HottextModel extends InteractionModel {
  readonly type: 'hottext';
  /** The text with its pressable words as places. */
  readonly content: Content;
  readonly hottexts: readonly string[];
  readonly counts: Counts;
}

/** `qti-hottext-interaction`: words of a text to press (QTI 3.0, "hottext interaction"). */
export const hottext = defineInteraction<HottextModel>({
  type: 'hottext',
  element: 'qti-hottext-interaction',
  inline: false,
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
  progress(model, response) {
    return countProgress(
      responseTexts(response).filter((id) => model.hottexts.includes(id)).length,
      model.counts,
    );
  },
});
