import { numberFault } from '../faults';
import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { responseTexts, type RawResponse } from '../../content/response';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'tally-plot': TallyPlotModel;
  }
}

export const TALLY_KINDS = ['marks', 'bars', 'counters'] as const;
export interface TallyPlotModel extends InteractionBase {
  readonly type: 'tally-plot';
  readonly kind: (typeof TALLY_KINDS)[number];
  readonly categories: readonly string[];
  readonly max: number;
  readonly step: number;
  readonly axisLabel: string;
}

/** The value of each category; 0 where nothing is set. */
export function valuesOf(model: TallyPlotModel, response: RawResponse): number[] {
  const texts = responseTexts(response);
  return model.categories.map((_, i) => {
    const value = Number(texts[i] ?? 0);
    return Number.isFinite(value) ? value : 0;
  });
}

/** A value on the steps of the plot, between 0 and the maximum. */
export function onStep(model: TallyPlotModel, value: number): number {
  const bounded = Math.max(0, Math.min(model.max, value));
  return Number((Math.round(bounded / model.step) * model.step).toPrecision(12));
}

/** Sets one category. All at 0 again is no answer. */
export function setValue(
  model: TallyPlotModel,
  response: RawResponse,
  index: number,
  value: number,
): RawResponse {
  const values = valuesOf(model, response).map((was, i) => (i === index ? onStep(model, value) : was));
  return values.some((one) => one !== 0) ? values.map(String) : null;
}

/** Moves one counter: from a box or the supply (null), to a box or out (null). */
export function moveCounter(
  model: TallyPlotModel,
  response: RawResponse,
  from: number | null,
  to: number | null,
): RawResponse {
  const values = valuesOf(model, response);
  if (from !== null && (values[from] ?? 0) < model.step) return response;
  if (to !== null && (values[to] ?? 0) + model.step > model.max) return response;
  const out = from === null ? response : setValue(model, response, from, (values[from] ?? 0) - model.step);
  return to === null ? out : setValue(model, out, to, (valuesOf(model, out)[to] ?? 0) + model.step);
}

/** Our `tally-plot`: marks over a line plot, bars, counters in boxes (items.md, "Interactions of our own"). */
export const tallyPlot = defineKind<TallyPlotModel>({
  type: 'tally-plot',
  inline: false,
  progress(model, response) {
    const texts = responseTexts(response);
    if (texts.length === 0) return empty('notSet');
    const numbers = texts.map(Number);
    const readable = numbers.length === model.categories.length && numbers.every(Number.isFinite);
    if (!readable) return partial('notSet');
    return numbers.some((one) => one !== 0) ? complete : partial('notSet');
  },
  said: (model, response) =>
    responseTexts(response).length === 0
      ? []
      : valuesOf(model, response).map((value, i) => ({
          code: 'amount',
          values: { name: model.categories[i] ?? '', value: { number: String(value) } },
        })),
  fault: (model, texts) =>
    texts.length === model.categories.length ? numberFault(texts, 0, model.max, model.step) : 'impossible',
});
