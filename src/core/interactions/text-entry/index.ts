import { normaliseTypedNumber, responseTexts } from '../../item/response';
import { parseScalar } from '../../item/value';
import { numberAttribute } from '../../qti/xml';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface TextEntryModel extends InteractionModel {
  readonly type: 'text-entry';
  /** Characters the box is made wide for. */
  readonly expectedLength: number;
  readonly patternMask: string | null;
  readonly placeholder: string;
}

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
export const textEntry = defineInteraction<TextEntryModel>({
  type: 'text-entry',
  element: 'qti-text-entry-interaction',
  inline: true,
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
  progress(model, response, shape) {
    const text = responseTexts(response)[0]?.trim() ?? '';
    if (text === '') return empty('boxEmpty', { count: 1 });
    if (shape.baseType === 'float' && parseScalar(normaliseTypedNumber(text), 'float') === undefined) {
      return partial('notANumber');
    }
    if (shape.baseType === 'integer' && parseScalar(normaliseTypedNumber(text), 'integer') === undefined) {
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
});
