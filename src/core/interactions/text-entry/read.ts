import { type TextEntryModel, isCheckablePattern, textEntry } from './index';
import { defineReader } from '../reading';
import { translateXsdPattern } from '../../xml/xsdPattern';
import { numberAttribute } from '../../xml/xml';

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
    const translated = mask === undefined ? null : translateXsdPattern(mask);
    const checkable = translated !== null && isCheckablePattern(translated);
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
      patternMask: checkable ? translated : null,
      placeholder: element.attributes['placeholder-text'] ?? '',
    };
  },
});
