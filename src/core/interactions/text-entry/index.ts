import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { normaliseTypedNumber, responseTexts } from '../../content/response';
import { parseScalar } from '../../content/value';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'text-entry': TextEntryModel;
  }
}

/** Longest text a box takes, in letters: a line, and far more. */
export const MAX_TEXT = 2_000;

export interface TextEntryModel extends InteractionBase {
  readonly type: 'text-entry';
  /** Characters the box is made wide for. */
  readonly expectedLength: number;
  /** As a browser's own engine reads it (processing/xsdPattern.ts). */
  readonly patternMask: string | null;
  readonly placeholder: string;
}

/** A fraction or a mixed number: a number, and none that a number box takes. */
const FRACTION = /^[-+\u2212]?\s*\d+(?:\s+\d+)?\s*[/\u2044\u00f7]\s*\d+$/;

/** A repeated group with a repetition or a choice inside: with the browser's own engine it could run without end. */
const RISKY = /\((?:[^()]|\([^()]*\))*[+*{|](?:[^()]|\([^()]*\))*\)\s*[+*{]|\\[1-9]/;

/**
 * Whether a pattern mask can be checked while typing: it is a regular expression, and one that cannot run for long. (Response
 * processing has a linear-time engine, which is too large for the browser.)
 */
export function isCheckablePattern(mask: string): boolean {
  if (mask.length > 500 || RISKY.test(mask)) return false;
  try {
    return new RegExp(`^(?:${mask})$`, 'u').flags === 'u';
  } catch {
    return false;
  }
}

/** `qti-text-entry-interaction`: a word or a number inside a line (QTI 3.0, "text entry interaction"). */
export const textEntry = defineKind<TextEntryModel>({
  type: 'text-entry',
  inline: true,
  progress(model, response, shape) {
    const text = responseTexts(response).join(' ').trim();
    if (text === '') return empty('boxEmpty', { count: 1 });
    if (
      shape.baseType === 'float' &&
      parseScalar(normaliseTypedNumber(text, shape.decimal), 'float') === undefined
    ) {
      return FRACTION.test(text)
        ? partial('fraction', { example: shape.decimal === ',' ? '0,5' : '0.5' })
        : partial('notANumber');
    }
    if (
      shape.baseType === 'integer' &&
      parseScalar(normaliseTypedNumber(text, shape.decimal), 'integer') === undefined
    ) {
      return partial('notAWholeNumber');
    }
    if (
      model.patternMask !== null &&
      !new RegExp(`^(?:${model.patternMask})$`, 'u').test(text.slice(0, 1000))
    ) {
      return partial('otherForm');
    }
    return complete;
  },
  said: (_model, response) => {
    const text = responseTexts(response).join(' ').trim();
    return text === '' ? [] : [{ code: 'written', values: { text } }];
  },
  fault: (_model, texts) => (texts.some((text) => text.length > MAX_TEXT) ? 'impossible' : null),
});
