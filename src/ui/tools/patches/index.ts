import { Layers2 } from 'lucide-react';
import { defineTool } from '../types';
import { PatchesLayer } from './PatchesLayer';
import { PATCHES } from './state';

export const patches = defineTool({
  id: 'patches',
  Icon: Layers2,
  // Every letter is taken.
  letter: '',
  button: 'switch',
  group: 'reading',
  access: 'everyone',
  PageLayer: PatchesLayer,
  state: PATCHES,
});
