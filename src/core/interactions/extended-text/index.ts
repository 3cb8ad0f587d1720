import { responseTexts } from '../../item/response';
import { booleanAttribute, numberAttribute } from '../../qti/xml';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface ExtendedTextModel extends InteractionModel {
  readonly type: 'extended-text';
  /** `xhtml`: with formatting; `preformatted` and `plain` without. */
  readonly format: 'plain' | 'preformatted' | 'xhtml';
  /** Spelling hints, where the question allows them (`data-spelling="true"`). */
  readonly spelling: boolean;
  readonly lines: number;
  readonly expectedLength: number | null;
  /** How many texts are asked for (more than one box when the response is a container). */
  readonly minStrings: number;
  readonly placeholder: string;
  readonly counter: 'up' | 'down' | null;
}

/** The words of an answer: a formatted one without its tags, blocks apart. */
export function plainText(answer: string, format: ExtendedTextModel['format']): string {
  if (format !== 'xhtml') return answer;
  return answer
    .replace(/<(?:\/(?:p|li|h\d|blockquote)|br\s*\/?)>/gi, '\n')
    .replace(/<[^>]*>/g, '')
    .replace(/&nbsp;/g, ' ')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&amp;/g, '&')
    .trim();
}

/** Words in a text, as a word count shows them. */
export function countWords(text: string): number {
  return text.match(/[\p{L}\p{N}]+(?:['’.,-][\p{L}\p{N}]+)*/gu)?.length ?? 0;
}

const FORMATS = ['plain', 'preformatted', 'xhtml'] as const;

/** `qti-extended-text-interaction`: a longer text (QTI 3.0, "extended text interaction"). */
export const extendedText = defineInteraction<ExtendedTextModel>({
  type: 'extended-text',
  element: 'qti-extended-text-interaction',
  inline: false,
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
  progress(model, response) {
    const texts = responseTexts(response).filter((text) => plainText(text, model.format).trim() !== '');
    if (texts.length === 0) return empty('textEmpty');
    return texts.length < model.minStrings ? partial('textEmpty') : complete;
  },
});
