import { Crosshair } from 'lucide-react';
import { defineTool } from '../types';
import { STRAIGHT_EDGE } from './state';
import { StraightEdgeLayer } from './StraightEdgeLayer';

export const straightEdge = defineTool({
  id: 'straight-edge',
  Icon: Crosshair,
  letter: 'Y',
  button: 'switch',
  group: 'measuring',
  access: 'everyone',
  state: STRAIGHT_EDGE,
  sheetLayer: { order: 15, Layer: StraightEdgeLayer, one: true },
});
