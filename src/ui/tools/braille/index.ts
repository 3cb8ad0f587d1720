import { Grip } from 'lucide-react';
import { readKept } from '../../attempt/kept';
import { learn } from '../../content/formulas/engine';
import { defineTool } from '../types';
import { BrailleLabels } from './BrailleLabels';
import { BRAILLE } from './state';

export const braille = defineTool({
  id: 'braille',
  Icon: Grip,
  // Every letter is taken.
  letter: '',
  button: 'switch',
  group: 'reading',
  access: 'everyone',
  inMyView: true,
  PageLayer: BrailleLabels,
  // Fetched only for whom it is set; whoever turns it on fetches it then.
  preload: (_test, needs) =>
    readKept({}, 'braille', BRAILLE, needs).on ? learn('nemeth') : Promise.resolve(),
  state: BRAILLE,
});
