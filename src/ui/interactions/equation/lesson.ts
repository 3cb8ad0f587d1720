import type { EquationModel } from '@/core/interactions/equation';
import { lessonOf } from '../lesson';

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<EquationModel>(
  { type: 'equation', keypad: 'fractions', mode: 'value', prefix: '', suffix: '' },
  { cardinality: 'single', baseType: 'string' },
  [null, '\\frac{3}{\\placeholder{}}', '\\frac{3}{4}'],
);
