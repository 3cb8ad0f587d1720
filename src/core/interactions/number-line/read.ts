import { type NumberLineModel, numberLine } from './index';
import { defineReader, readQuantity, readWhole } from '../reading';
import { LABELS, MAX_TICKS, tickCount, type Scale } from './ticks';

/** Reads `urn:able-compass:number-line`. */
export const numberLineReader = defineReader<NumberLineModel>({
  kind: numberLine,
  element: 'urn:able-compass:number-line',
  binds: [
    { cardinality: 'multiple', baseTypes: ['float', 'integer'] },
    { cardinality: 'single', baseTypes: ['string', 'float', 'integer'] },
  ],
  read(element, context) {
    const scale: Scale = {
      min: readQuantity(element, 'data-min', '0', context),
      max: readQuantity(element, 'data-max', '10', context),
      step: readQuantity(element, 'data-step', '1', context),
      minor: readWhole(element, 'data-minor', 1, [1, 100], context),
      labels: LABELS.find((one) => one === element.attributes['data-labels']) ?? 'decimal',
    };
    const count = tickCount(scale);
    if (count < 2 || count > MAX_TICKS)
      context.report.error(
        'property',
        element.line,
        `a number line needs data-min below data-max and a step that gives 2 to ${MAX_TICKS} ticks`,
      );
    const mode = element.attributes['data-mode'] === 'interval' ? 'interval' : 'points';
    const single = context.shape?.cardinality === 'single';
    if ((mode === 'interval') !== (context.shape?.baseType === 'string'))
      context.report.error(
        'wrong-binding',
        element.line,
        'points are answered with float values, intervals with a single string',
      );
    const maximum = readWhole(element, 'data-max-points', single ? 1 : 0, [0, 100], context);
    return { scale, mode, counts: { minimum: Math.max(1, maximum), maximum } };
  },
});
