import { BookOpenText } from 'lucide-react';
import { defineTool } from '../types';
import { loadPdf } from './pdf';
import { ReferenceWindow } from './ReferenceWindow';
import { REFERENCE } from './state';

export const reference = defineTool({
  id: 'reference',
  Icon: BookOpenText,
  letter: 'I',
  button: 'window',
  group: 'reading',
  access: { brought: 'sheets' },
  state: REFERENCE,
  preload: (test) =>
    Object.values(test.items).some(({ materials }) => materials.sheets.some(({ kind }) => kind === 'pdf'))
      ? loadPdf()
      : Promise.resolve(),
  window: { Content: ReferenceWindow, size: () => ({ width: 34, height: 35 }) },
});
