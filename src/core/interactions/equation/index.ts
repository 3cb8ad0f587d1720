import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { responseTexts } from '../../content/response';
import { readMath } from '../../math';
import { workLines } from './work';
import { saidMaths } from '../saidMaths';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    equation: EquationModel;
  }
}

export const KEYPADS = ['numbers', 'fractions', 'algebra', 'geometry', 'all'] as const;
export const EQUATION_MODES = ['value', 'expression', 'equation', 'inequality', 'work'] as const;
export interface EquationModel extends InteractionBase {
  readonly type: 'equation';
  readonly keypad: (typeof KEYPADS)[number];
  readonly mode: (typeof EQUATION_MODES)[number];
  /** LaTeX shown before and after the box. */
  readonly prefix: string;
  readonly suffix: string;
}

/** A box of the structured editor that nothing was written into. */
const UNFINISHED = /\\placeholder|\{\s*\}/;

export const pick = <T extends string>(value: string | undefined, allowed: readonly T[], fallback: T): T =>
  allowed.find((one) => one === value) ?? fallback;

/** Longest answer taken, in letters; lines of work take more. */
const MAX_MATHS = { line: 4_000, work: 20_000 } as const;
/** Commands of LaTeX that fetch, link or style: written maths never has them. */
const FOREIGN =
  /\\(?:href|url|includegraphics|html\w*|class|cssId|style|require|input|include|def|newcommand)\b/i;

/** Whether a text is what the box can hold: maths as written, with nothing that leads elsewhere. */
export const isWrittenMaths = (text: string, mode: EquationModel['mode']): boolean =>
  text.length <= (mode === 'work' ? MAX_MATHS.work : MAX_MATHS.line) && !FOREIGN.test(text);

/** Our `equation`: written maths, kept as LaTeX (items.md, "Interactions of our own"). */
export const equation = defineKind<EquationModel>({
  type: 'equation',
  inline: false,
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
  said(model, response) {
    const latex = responseTexts(response)[0]?.trim() ?? '';
    if (latex === '') return [];
    if (model.mode !== 'work') return [saidMaths(latex)];
    return workLines(latex)
      .filter(({ text }) => text.trim() !== '')
      .map(({ kind, text }, i) => ({
        code: 'line',
        values: { line: i + 1, words: kind === 'words' ? text : saidMaths(text) },
      }));
  },
  fault: (model, texts) => (texts.some((text) => !isWrittenMaths(text, model.mode)) ? 'impossible' : null),
});
