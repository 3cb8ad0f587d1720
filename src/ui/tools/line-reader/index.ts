import { Rows3 } from 'lucide-react';
import type { ToolDefinition } from '../types';
import { LineReaderLayer } from './LineReaderLayer';

export const lineReader: ToolDefinition = {
  id: 'line-reader',
  Icon: Rows3,
  letter: 'R',
  button: 'switch',
  SheetLayer: LineReaderLayer,
};
