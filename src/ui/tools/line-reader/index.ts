import { Rows3 } from 'lucide-react';
import { defineTool } from '../types';
import { LINE_READER } from './state';
import { LineReaderLayer } from './LineReaderLayer';

export const lineReader = defineTool({
  id: 'line-reader',
  Icon: Rows3,
  letter: 'R',
  button: 'switch',
  group: 'reading',
  access: 'everyone',
  inMyView: true,
  often: true,
  state: LINE_READER,
  sheetLayer: { order: 10, Layer: LineReaderLayer, one: true },
});
