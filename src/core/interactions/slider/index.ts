import { responseTexts } from '../../item/response';
import { booleanAttribute, numberAttribute } from '../../qti/xml';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface SliderModel extends InteractionModel {
  readonly type: 'slider';
  readonly lower: number;
  readonly upper: number;
  readonly step: number;
  readonly vertical: boolean;
  readonly reverse: boolean;
}

/** A value on the slider as text, without the noise of floats (0.1 + 0.2 is 0.3). */
export const sliderText = (value: number): string => String(Number(value.toPrecision(12)));

/** `qti-slider-interaction`: a value between two bounds; counts once the student has set it (QTI 3.0, "slider interaction"). */
export const slider = defineInteraction<SliderModel>({
  type: 'slider',
  element: 'qti-slider-interaction',
  inline: false,
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
    return {
      lower,
      upper,
      step: step > 0 ? step : integer ? 1 : (upper - lower) / 100,
      vertical: element.attributes.orientation === 'vertical',
      reverse: booleanAttribute(element, 'reverse', false),
    };
  },
  progress(model, response) {
    const text = responseTexts(response)[0];
    if (text === undefined) return empty('notSet');
    const value = Number(text);
    return Number.isFinite(value) && value >= model.lower && value <= model.upper
      ? complete
      : partial('notANumber');
  },
});
