import { responseTexts } from '../../item/response';
import { readMath } from '../../math';
import { childOf } from '../../qti/xml';
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

const pick = <T extends string>(value: string | undefined, allowed: readonly T[], fallback: T): T =>
  allowed.find((one) => one === value) ?? fallback;

/** Our `equation`: written maths, kept as LaTeX (items.md, "Interactions of our own"). */
export const equation = defineInteraction<EquationModel>({
  type: 'equation',
  element: 'urn:able-compass:equation',
  inline: false,
  binds: [{ cardinality: 'single', baseTypes: ['string'] }],
  read(element, context) {
    const { attributes } = element;
    const prompt = childOf(element, 'qti-prompt');
    const mode = pick(attributes['data-mode'], EQUATION_MODES, 'expression');
    if (mode === 'work') {
      context.report.error(
        'unsupported-interaction',
        element.line,
        'an equation interaction with data-mode="work" (several lines) is not supported yet',
      );
    }
    return {
      keypad: pick(attributes['data-keypad'], KEYPADS, 'all'),
      mode,
      prefix: attributes['data-prefix'] ?? '',
      suffix: attributes['data-suffix'] ?? '',
      prompt: prompt ? context.content(prompt) : [],
    };
  },
  progress(model, response) {
    const latex = responseTexts(response)[0]?.trim() ?? '';
    if (latex === '') return empty('mathEmpty');
    if (/\\placeholder|\{\s*\}/.test(latex)) return partial('mathBoxes');
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
