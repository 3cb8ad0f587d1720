import { defineView } from '../types';
import { ChoiceView } from './ChoiceView';

export const choiceView = defineView('choice', ChoiceView, () => import('./lesson'));
