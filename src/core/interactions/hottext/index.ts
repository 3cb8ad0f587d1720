import { choiceFault } from '../faults';
import { defineKind, type InteractionBase, type Said } from '../types';
import { contentText, walkContent, type Content } from '../../content/content';
import { responseTexts } from '../../content/response';
import { countProgress, type Counts } from '../counts';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    hottext: HottextModel;
  }
}

export interface HottextModel extends InteractionBase {
  readonly type: 'hottext';
  /** The text with its pressable words as places. */
  readonly content: Content;
  readonly hottexts: readonly string[];
  readonly counts: Counts;
}

/** What each of the pressable places says, in the order they stand. */
export const hottextWords = ({ content }: HottextModel): ReadonlyMap<string, string> =>
  new Map(
    [...walkContent(content)].flatMap((node) =>
      node.kind === 'place' && node.role === 'hottext' ? [[node.identifier, contentText(node.children)]] : [],
    ),
  );

/** `qti-hottext-interaction`: words of a text to press (QTI 3.0, "hottext interaction"). */
export const hottext = defineKind<HottextModel>({
  type: 'hottext',
  inline: false,
  mapContents: (model, change) => ({ ...model, content: change(model.content) }),
  progress(model, response) {
    return countProgress(
      responseTexts(response).filter((id) => model.hottexts.includes(id)).length,
      model.counts,
    );
  },
  said(model, response) {
    const chosen = responseTexts(response);
    return [...hottextWords(model)].flatMap(([identifier, text]): Said[] =>
      chosen.includes(identifier) ? [{ code: 'text', values: { text } }] : [],
    );
  },
  fault: (model, texts) => choiceFault(model.hottexts, texts, model.counts.maximum),
});
