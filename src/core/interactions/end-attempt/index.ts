import { complete, defineInteraction, type InteractionModel } from '../types';

export interface EndAttemptModel extends InteractionModel {
  readonly type: 'end-attempt';
  /** What the button says. */
  readonly title: string;
}

/** `qti-end-attempt-interaction`: a button that ends this try at the question, e.g. "Show me a hint" (QTI 3.0). */
export const endAttempt = defineInteraction<EndAttemptModel>({
  type: 'end-attempt',
  element: 'qti-end-attempt-interaction',
  inline: true,
  binds: [{ cardinality: 'single', baseTypes: ['boolean'] }],
  // A hint nobody asked for is no gap in the answer.
  optional: () => true,
  read(element, context) {
    const title = element.attributes.title ?? '';
    if (title === '')
      context.report.warn('no-title', element.line, 'an end attempt interaction has no title for its button');
    return { title };
  },
  progress: () => complete,
});
