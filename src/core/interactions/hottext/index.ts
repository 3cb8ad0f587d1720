import { walkContent, type Content } from '../../item/content';
import { responseTexts, type RawResponse } from '../../item/response';
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

/** What a press on a word does: the new response, or why nothing changed. */
export type HottextMove =
  | { readonly kind: 'changed'; readonly response: RawResponse }
  | { readonly kind: 'full'; readonly maximum: number };

/** Presses a word. Where only one may be chosen the mark moves; else one over the maximum changes nothing and says so. */
export function pressHottext(
  model: HottextModel,
  response: RawResponse,
  identifier: string,
  multiple: boolean,
): HottextMove {
  const chosen = responseTexts(response);
  if (chosen.includes(identifier)) {
    const rest = chosen.filter((other) => other !== identifier);
    return { kind: 'changed', response: rest.length > 0 ? rest : null };
  }
  if (!multiple) return { kind: 'changed', response: identifier };
  const { maximum } = model.counts;
  if (maximum === 1) return { kind: 'changed', response: [identifier] };
  if (maximum > 0 && chosen.length >= maximum) return { kind: 'full', maximum };
  const next = new Set([...chosen, identifier]);
  return { kind: 'changed', response: model.hottexts.filter((one) => next.has(one)) };
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
    return {
      content,
      hottexts,
      counts: readCounts(element, 'choices', 1),
      prompt: prompt ? context.content(prompt) : [],
    };
  },
  progress(model, response) {
    return countProgress(
      responseTexts(response).filter((id) => model.hottexts.includes(id)).length,
      model.counts,
    );
  },
});
