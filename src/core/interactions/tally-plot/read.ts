import * as q from '../../math/rational';
import { TALLY_KINDS, type TallyPlotModel, tallyPlot } from './index';
import { defineReader, readQuantity } from '../reading';
import { exactOf } from '../quantity';

/** Reads `urn:able-compass:tally-plot`. */
export const tallyPlotReader = defineReader<TallyPlotModel>({
  kind: tallyPlot,
  element: 'urn:able-compass:tally-plot',
  binds: [{ cardinality: 'ordered', baseTypes: ['float', 'integer'] }],
  read(element, context) {
    const number = (name: string, fallback: string): number => {
      const value = exactOf(readQuantity(element, name, fallback, context));
      return value ? q.toNumber(value) : Number(fallback);
    };
    const categories = (element.attributes['data-categories'] ?? '')
      .split('|')
      .map((one) => one.trim())
      .filter((one) => one !== '');
    if (categories.length === 0 || categories.length > 40)
      context.report.error(
        'property',
        element.line,
        'data-categories names 1 to 40 categories, separated by |',
      );
    const [max, step] = [number('data-max', '10'), number('data-step', '1')];
    if (!(max > 0) || !(step > 0) || max / step > 200)
      context.report.error('property', element.line, 'data-max must be above 0, in at most 200 steps');
    return {
      kind: TALLY_KINDS.find((one) => one === element.attributes['data-kind']) ?? 'marks',
      categories,
      max,
      step,
      axisLabel: element.attributes['data-axis-label'] ?? '',
    };
  },
});
