import { Gauge } from 'lucide-react';
import * as z from 'zod/mini';
import { defineTool } from '../types';
import { PaceWindow } from './PaceWindow';

export const pace = defineTool({
  id: 'pace',
  Icon: Gauge,
  // Every letter is taken.
  letter: '',
  button: 'window',
  group: 'looking',
  access: 'everyone',
  window: { Content: PaceWindow, size: () => ({ width: 24, height: 25 }) },
  state: { schema: z.object({}), initial: () => ({}), scope: 'test' },
});
