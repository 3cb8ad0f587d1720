import { Highlighter } from 'lucide-react';
import type { ToolDefinition } from '../types';
import { HighlighterPanel } from './HighlighterPanel';
import { HighlightLayer } from './HighlightLayer';

export const highlighter: ToolDefinition = {
  id: 'highlighter',
  Icon: Highlighter,
  letter: 'H',
  button: 'panel',
  Panel: HighlighterPanel,
  SheetLayer: HighlightLayer,
};
