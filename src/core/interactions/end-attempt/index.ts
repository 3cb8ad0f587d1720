import { defineKind, complete, type InteractionBase } from '../types';
import { responseTexts } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'end-attempt': EndAttemptModel;
  }
}

export interface EndAttemptModel extends InteractionBase {
  readonly type: 'end-attempt';
  /** What the button says. */
  readonly title: string;
}

/** `qti-end-attempt-interaction`: a button that ends this try at the question, e.g. "Show me a hint" (QTI 3.0). */
export const endAttempt = defineKind<EndAttemptModel>({
  type: 'end-attempt',
  inline: true,
  // A hint nobody asked for is no gap in the answer.
  optional: () => true,
  progress: () => complete,
  said: (model, response) =>
    responseTexts(response).some((text) => /^(true|1)$/.test(text.trim()))
      ? [{ code: 'text', values: { text: model.title } }]
      : [],
  fault: (_model, texts) =>
    texts.some((text) => !/^(true|false|0|1)$/.test(text.trim())) ? 'impossible' : null,
});
