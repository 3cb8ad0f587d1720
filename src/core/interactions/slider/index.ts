import { numberFault } from '../faults';
import { saidNumber } from '../said';
import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { responseTexts } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    slider: SliderModel;
  }
}

export interface SliderModel extends InteractionBase {
  readonly type: 'slider';
  readonly lower: number;
  readonly upper: number;
  readonly step: number;
  readonly vertical: boolean;
  readonly reverse: boolean;
  /** What its numbers are of ("km"), as the question writes it; absent where it does not say (`data-unit`, our own: QTI has none). */
  readonly unit?: string;
}

/** A value on the slider as text, without the noise of floats (0.1 + 0.2 is 0.3). */
export const sliderText = (value: number): string => String(Number(value.toPrecision(12)));

/** `qti-slider-interaction`: a value between two bounds; counts once the student has set it (QTI 3.0, "slider interaction"). */
export const slider = defineKind<SliderModel>({
  type: 'slider',
  inline: false,
  progress(model, response) {
    const text = responseTexts(response)[0]?.trim() ?? '';
    if (text === '') return empty('notSet');
    const value = Number(text);
    return Number.isFinite(value) && value >= model.lower && value <= model.upper
      ? complete
      : partial('notANumber');
  },
  said: ({ unit }, response) =>
    responseTexts(response)
      .slice(0, 1)
      .map((number) =>
        unit === undefined ? saidNumber(number) : { code: 'measure', values: { number: { number }, unit } },
      ),
  fault: (model, texts) => numberFault(texts, model.lower, model.upper),
});
