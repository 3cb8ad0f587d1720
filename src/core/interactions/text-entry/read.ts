import { type TextEntryModel, isCheckablePattern, textEntry } from './index';
import { defineReader } from '../reading';
import { numberAttribute } from '../../qti/xml';

/** Reads `qti-text-entry-interaction`. */
export const textEntryReader = defineReader<TextEntryModel>({
  kind: textEntry,
  element: 'qti-text-entry-interaction',
  binds: [
    { cardinality: 'single', baseTypes: ['string', 'integer', 'float'] },
    { cardinality: 'record', baseTypes: [] },
  ],
  read(element, context) {
    const mask = element.attributes['pattern-mask'];
    const checkable = mask !== undefined && isCheckablePattern(mask);
    if (mask !== undefined && !checkable) {
      context.report.warn(
        'pattern-set-aside',
        element.line,
        `the pattern-mask "${mask}" cannot be checked safely`,
      );
    }
    const width = /(?:^|\s)qti-input-width-(\d+)/.exec(element.attributes.class ?? '')?.[1];
    return {
      expectedLength: width ? Number(width) : numberAttribute(element, 'expected-length', 10),
      patternMask: mask !== undefined && checkable ? mask : null,
      placeholder: element.attributes['placeholder-text'] ?? '',
    };
  },
});
