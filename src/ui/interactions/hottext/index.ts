import { defineView } from '../types';
import { HottextView } from './HottextView';

export const hottextView = defineView('hottext', HottextView, () => import('./lesson'));
