import { needsWords } from '@/core/content/content';
import type { InlineChoiceModel } from '@/core/interactions/inline-choice';
import { defineView } from '../types';
import { InlineChoiceView } from './InlineChoiceView';

export const inlineChoiceView = defineView<InlineChoiceModel>(
  'inline-choice',
  InlineChoiceView,
  () => import('./lesson'),
  (model) => (model.choices.some((one) => needsWords(one.content)) ? import('./RichMenu') : null),
);
