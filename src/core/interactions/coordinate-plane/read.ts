import * as q from '../../math/rational';
import { type Axis, type CoordinatePlaneModel, MAX_LINES, coordinatePlane } from './index';
import { defineReader, readQuantity, readWhole } from '../reading';
import { exactOf } from '../quantity';
import { PLANE_TOOLS } from './figures';

/** Reads `urn:able-compass:coordinate-plane`. */
export const coordinatePlaneReader = defineReader<CoordinatePlaneModel>({
  kind: coordinatePlane,
  element: 'urn:able-compass:coordinate-plane',
  binds: [
    { cardinality: 'multiple', baseTypes: ['string'] },
    { cardinality: 'single', baseTypes: ['string'] },
  ],
  read(element, context) {
    const number = (name: string, fallback: string): number => {
      const value = exactOf(readQuantity(element, name, fallback, context));
      return value ? q.toNumber(value) : Number(fallback);
    };
    const axis = (name: 'x' | 'y'): Axis => {
      const one = {
        min: number(`data-${name}-min`, '-10'),
        max: number(`data-${name}-max`, '10'),
        step: number(`data-${name}-step`, '1'),
        label: element.attributes[`data-${name}-label`] ?? name,
      };
      if (!(one.max > one.min) || !(one.step > 0) || (one.max - one.min) / one.step > MAX_LINES)
        context.report.error(
          'property',
          element.line,
          `the ${name} axis needs a minimum below its maximum and a step that gives at most ${MAX_LINES} lines`,
        );
      return one;
    };
    const [x, y] = [axis('x'), axis('y')];
    const snap = element.attributes['data-snap'] === undefined ? null : number('data-snap', '0');
    const named = (element.attributes['data-tools'] ?? 'point')
      .toLowerCase()
      .split(/[\s,]+/)
      .filter(Boolean);
    const tools = [...new Set(named)].flatMap((one) => PLANE_TOOLS.find((tool) => tool === one) ?? []);
    const unknown = named.find((one) => !PLANE_TOOLS.some((tool) => tool === one));
    if (unknown !== undefined || tools.length === 0)
      context.report.error(
        'property',
        element.line,
        `data-tools: "${unknown ?? ''}" is not a tool of the plane`,
      );
    const single = context.shape?.cardinality === 'single';
    const maximum = readWhole(element, 'data-max-objects', single ? 1 : 0, [0, 100], context);
    return {
      x,
      y,
      snap: snap === null ? { x: x.step, y: y.step } : { x: Math.max(0, snap), y: Math.max(0, snap) },
      tools,
      counts: { minimum: Math.max(1, maximum), maximum },
    };
  },
});
