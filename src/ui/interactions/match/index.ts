import { defineView } from '../types';
import { MatchView } from './MatchView';

export const matchView = defineView('match', MatchView, () => import('./lesson'));
