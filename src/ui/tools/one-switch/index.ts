import { ToggleRight } from 'lucide-react';
import { defineTool } from '../types';
import { OneSwitchLayer } from './OneSwitchLayer';
import { OneSwitchPanel } from './OneSwitchPanel';
import { ONE_SWITCH } from './state';

export const oneSwitch = defineTool({
  id: 'one-switch',
  Icon: ToggleRight,
  letter: 'Y',
  button: 'panel',
  group: 'looking',
  access: 'everyone',
  inMyView: true,
  state: ONE_SWITCH,
  Panel: OneSwitchPanel,
  PageLayer: OneSwitchLayer,
});
