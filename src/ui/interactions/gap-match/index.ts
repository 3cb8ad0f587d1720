import { defineView } from '../types';
import { GapMatchView } from './GapMatchView';

export const gapMatchView = defineView('gap-match', GapMatchView, () => import('./lesson'));
