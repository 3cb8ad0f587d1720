import { PenLine } from 'lucide-react';
import { keptAt, readKept } from '../../attempt/kept';
import { NO_NEEDS } from '@/core/needs';
import { defineTool } from '../types';
import { SketchLayer } from './SketchLayer';
import { SketchWindow } from './SketchWindow';
import { PEN, STROKES, strokesOf } from './state';

export const sketch = defineTool({
  id: 'sketch',
  Icon: PenLine,
  letter: 'J',
  button: 'window',
  group: 'writing',
  access: 'everyone',
  state: PEN,
  window: { Content: SketchWindow, size: () => ({ width: 20, height: 28 }) },
  sheetLayer: { order: 20, Layer: SketchLayer },
  isOnQuestion: (kept, itemRef) =>
    strokesOf(readKept(kept, keptAt('sketch', itemRef), STROKES, NO_NEEDS)).length > 0,
});
