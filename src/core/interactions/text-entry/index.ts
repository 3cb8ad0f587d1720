import { RE2JS } from 're2js';
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

/** Whether a text fits a pattern mask, whole; a mask that is no regular expression asks for nothing. Linear time. */
export function fitsPattern(text: string, mask: string): boolean {
  try {
    return RE2JS.matches(mask, text);
  } catch {
    return true;
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
  read(element) {
    const width = /(?:^|\s)qti-input-width-(\d+)/.exec(element.attributes.class ?? '')?.[1];
    return {
      expectedLength: width ? Number(width) : numberAttribute(element, 'expected-length', 10),
      patternMask: element.attributes['pattern-mask'] ?? null,
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
    if (model.patternMask !== null && !fitsPattern(text, model.patternMask)) return partial('otherForm');
    return complete;
  },
});
