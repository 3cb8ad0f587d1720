import { defineView } from '../types';
import { TextEntryView } from './TextEntryView';

export const textEntryView = defineView('text-entry', TextEntryView, () => import('./lesson'));
