import { Search } from 'lucide-react';
import { defineTool } from '../types';
import { LensLayer } from './LensLayer';
import { LensWindow } from './LensWindow';
import { LENS } from './state';

export const lens = defineTool({
  id: 'lens',
  Icon: Search,
  letter: 'W',
  button: 'window',
  group: 'looking',
  access: 'everyone',
  state: LENS,
  window: { Content: LensWindow, size: () => ({ width: 17, height: 21 }) },
  PageLayer: LensLayer,
});
