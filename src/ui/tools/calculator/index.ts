import { Calculator } from 'lucide-react';
import { loadFaces } from '../../kit/fonts';
import { defineTool } from '../types';
import { CalculatorWindow } from './CalculatorWindow';
import { CALCULATOR } from './state';

export const calculator = defineTool({
  id: 'calculator',
  Icon: Calculator,
  letter: 'K',
  button: 'window',
  group: 'measuring',
  access: { brought: 'calculator' },
  state: CALCULATOR,
  preload: () => loadFaces(/Noto Sans Math/),
  window: {
    Content: CalculatorWindow,
    size: ({ materials: { calculator: kind } }) =>
      kind === 'scientific' || kind === 'graphing' ? { width: 32, height: 36 } : { width: 21, height: 36 },
  },
});
