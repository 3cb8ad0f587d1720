import { defineView } from '../types';
import { InlineChoiceView } from './InlineChoiceView';

export const inlineChoiceView = defineView('inline-choice', InlineChoiceView, () => import('./lesson'));
