import { defineView } from '../types';
import { ExtendedTextView } from './ExtendedTextView';

export const extendedTextView = defineView('extended-text', ExtendedTextView);
