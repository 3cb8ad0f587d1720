import { type SliderModel, slider } from './index';
import { defineReader } from '../reading';
import { booleanAttribute, numberAttribute } from '../../xml/xml';

/** Reads `qti-slider-interaction`. */
export const sliderReader = defineReader<SliderModel>({
  kind: slider,
  element: 'qti-slider-interaction',
  binds: [{ cardinality: 'single', baseTypes: ['integer', 'float'] }],
  read(element, context) {
    const [lower, upper] = [
      numberAttribute(element, 'lower-bound', NaN),
      numberAttribute(element, 'upper-bound', NaN),
    ];
    const integer = context.shape?.baseType === 'integer';
    const step = numberAttribute(element, 'step', 0);
    if (!(lower < upper))
      context.report.error(
        'slider-bounds',
        element.line,
        'a slider needs a lower-bound below its upper-bound',
      );
    const unit = element.attributes['data-unit']?.trim() ?? '';
    return {
      ...(unit !== '' && { unit }),
      lower,
      upper,
      step: step > 0 ? step : integer ? 1 : (upper - lower) / 100,
      vertical: element.attributes.orientation === 'vertical',
      reverse: booleanAttribute(element, 'reverse', false),
    };
  },
});
