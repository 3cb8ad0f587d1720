import { responseTexts } from '../../item/response';
import { readMath } from '../../math';
import { workLines } from './work';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export const KEYPADS = ['numbers', 'fractions', 'algebra', 'geometry', 'all'] as const;
export const EQUATION_MODES = ['value', 'expression', 'equation', 'inequality', 'work'] as const;
export interface EquationModel extends InteractionModel {
  readonly type: 'equation';
  readonly keypad: (typeof KEYPADS)[number];
  readonly mode: (typeof EQUATION_MODES)[number];
  /** LaTeX shown before and after the box. */
  readonly prefix: string;
  readonly suffix: string;
}

/** A box of the structured editor that nothing was written into. */
const UNFINISHED = /\\placeholder|\{\s*\}/;

const pick = <T extends string>(value: string | undefined, allowed: readonly T[], fallback: T): T =>
  allowed.find((one) => one === value) ?? fallback;

/** Our `equation`: written maths, kept as LaTeX (items.md, "Interactions of our own"). */
export const equation = defineInteraction<EquationModel>({
  type: 'equation',
  element: 'urn:able-compass:equation',
  inline: false,
  binds: [{ cardinality: 'single', baseTypes: ['string'] }],
  read(element) {
    const { attributes } = element;
    const mode = pick(attributes['data-mode'], EQUATION_MODES, 'expression');
    return {
      keypad: pick(attributes['data-keypad'], KEYPADS, 'all'),
      mode,
      prefix: attributes['data-prefix'] ?? '',
      suffix: attributes['data-suffix'] ?? '',
    };
  },
  progress(model, response) {
    const latex = responseTexts(response)[0]?.trim() ?? '';
    if (latex === '') return empty('mathEmpty');
    if (model.mode === 'work') {
      const lines = workLines(latex).filter((line) => line.text.trim() !== '');
      if (lines.length === 0) return empty('mathEmpty');
      return lines.some((line) => line.kind === 'maths' && UNFINISHED.test(line.text))
        ? partial('mathBoxes')
        : complete;
    }
    if (UNFINISHED.test(latex)) return partial('mathBoxes');
    const read = readMath(latex);
    if (!read.ok) return partial('mathUnreadable');
    const relation = read.node.t === 'rel';
    if (model.mode === 'value' && read.variables.length > 0) return partial('notANumber');
    if (
      model.mode === 'equation' &&
      !(relation && read.node.t === 'rel' && read.node.ops.every((op) => op === '='))
    ) {
      return partial('needsEquals');
    }
    if (model.mode === 'inequality' && !relation) return partial('needsInequality');
    return complete;
  },
});
