import { type ExtendedTextModel, FORMATS, extendedText } from './index';
import { defineReader } from '../reading';
import { booleanAttribute, numberAttribute } from '../../xml/xml';

/** Reads `qti-extended-text-interaction`. */
export const extendedTextReader = defineReader<ExtendedTextModel>({
  kind: extendedText,
  element: 'qti-extended-text-interaction',
  binds: [
    { cardinality: 'single', baseTypes: ['string', 'integer', 'float'] },
    { cardinality: 'multiple', baseTypes: ['string', 'integer', 'float'] },
    { cardinality: 'ordered', baseTypes: ['string', 'integer', 'float'] },
    { cardinality: 'record', baseTypes: [] },
  ],
  read(element) {
    const classes = element.attributes.class ?? '';
    const height = /qti-height-lines-(\d+)/.exec(classes)?.[1];
    const expected = element.attributes['expected-length'];
    const format = FORMATS.find((one) => one === element.attributes.format) ?? 'plain';
    return {
      format,
      spelling: booleanAttribute(element, 'data-spelling', false),
      lines: height ? Number(height) : numberAttribute(element, 'expected-lines', 6),
      expectedLength: expected === undefined ? null : numberAttribute(element, 'expected-length', 0),
      minStrings: Math.max(1, numberAttribute(element, 'min-strings', 1)),
      placeholder: element.attributes['placeholder-text'] ?? '',
      counter: classes.includes('qti-counter-up')
        ? 'up'
        : classes.includes('qti-counter-down')
          ? 'down'
          : null,
    };
  },
});
