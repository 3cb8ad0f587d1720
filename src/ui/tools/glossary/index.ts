import { BookA } from 'lucide-react';
import * as z from 'zod/mini';
import { defineTool } from '../types';
import { GlossaryWindow } from './GlossaryWindow';
import { MarkLayer } from './MarkLayer';

export const glossary = defineTool({
  id: 'glossary',
  Icon: BookA,
  letter: 'G',
  button: 'window',
  group: 'reading',
  access: 'with-cards',
  state: { schema: z.object({}), initial: () => ({}), scope: 'test' },
  window: { Content: GlossaryWindow, size: () => ({ width: 20, height: 22 }) },
  sheetLayer: { order: 5, Layer: MarkLayer },
});
