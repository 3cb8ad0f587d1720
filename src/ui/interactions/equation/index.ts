import { defineView } from '../types';
import { EquationView } from './EquationView';

export const equationView = defineView(
  'equation',
  EquationView,
  () => import('./lesson'),
  () => import('./MathEditor'),
);
