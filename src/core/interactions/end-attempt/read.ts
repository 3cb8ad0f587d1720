import { type EndAttemptModel, endAttempt } from './index';
import { defineReader } from '../reading';

/** Reads `qti-end-attempt-interaction`. */
export const endAttemptReader = defineReader<EndAttemptModel>({
  kind: endAttempt,
  element: 'qti-end-attempt-interaction',
  binds: [{ cardinality: 'single', baseTypes: ['boolean'] }],
  read(element, context) {
    const title = element.attributes.title ?? '';
    if (title === '')
      context.report.warn('no-title', element.line, 'an end attempt interaction has no title for its button');
    return { title };
  },
});
