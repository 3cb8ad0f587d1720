import { AudioLines } from 'lucide-react';
import { learnFormulas } from '../../content/formulas/engine';
import { defineTool } from '../types';
import { ReadAloudWindow } from './ReadAloudWindow';
import { ReadChoice } from './ReadChoice';
import { READ_ALOUD } from './state';
import { findVoice } from './voice';

export const readAloud = defineTool({
  id: 'read-aloud',
  Icon: AudioLines,
  letter: 'S',
  button: 'window',
  group: 'reading',
  access: 'asked-for',
  inMyView: true,
  state: READ_ALOUD,
  ChoiceMark: ReadChoice,
  preload: ({ language }) =>
    Promise.all([findVoice().then((voice) => voice.ready()), learnFormulas(language ?? 'en')]),
  window: { Content: ReadAloudWindow, size: () => ({ width: 20, height: 28 }) },
});
