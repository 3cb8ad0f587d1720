import { Highlighter } from 'lucide-react';
import * as z from 'zod/mini';
import { defineTool } from '../types';
import { HighlighterPanel } from './HighlighterPanel';
import { HighlightLayer } from './HighlightLayer';

/** Its marks are events of their own (`highlighted`), anchored to the text; nothing else is kept. */
export const highlighter = defineTool({
  id: 'highlighter',
  Icon: Highlighter,
  letter: 'H',
  button: 'panel',
  group: 'reading',
  access: 'everyone',
  often: true,
  Panel: HighlighterPanel,
  state: { schema: z.object({}), initial: () => ({}), scope: 'text' },
  sheetLayer: { order: 0, Layer: HighlightLayer, inWindows: true },
});
