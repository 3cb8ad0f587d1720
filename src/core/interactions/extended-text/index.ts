import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { responseTexts } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'extended-text': ExtendedTextModel;
  }
}

/** Longest text that is taken, in letters: some forty pages. */
export const MAX_TEXT = 100_000;

export interface ExtendedTextModel extends InteractionBase {
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

export const FORMATS = ['plain', 'preformatted', 'xhtml'] as const;

/** `qti-extended-text-interaction`: a longer text (QTI 3.0, "extended text interaction"). */
export const extendedText = defineKind<ExtendedTextModel>({
  type: 'extended-text',
  inline: false,
  progress(model, response) {
    const texts = responseTexts(response).filter((text) => plainText(text, model.format).trim() !== '');
    if (texts.length === 0) return empty('textEmpty');
    return texts.length < model.minStrings ? partial('textEmpty') : complete;
  },
  said: (model, response) =>
    responseTexts(response)
      .map((text) => plainText(text, model.format))
      .filter((text) => text.trim() !== '')
      .map((text) => ({ code: 'written', values: { text } })),
  fault: (_model, texts) => (texts.some((text) => text.length > MAX_TEXT) ? 'impossible' : null),
});
