import { readIntervals } from '../../geometry/intervals';
import { responseTexts, type RawResponse } from '../../item/response';
import * as q from '../../math/rational';
import type { Rational } from '../../math/rational';
import { countProgress, type Counts } from '../counts';
import { exactOf, floatText, readQuantity, readWhole } from '../quantity';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';
import { LABELS, MAX_TICKS, scaleOf, tickCount, ticksOf, type Scale } from './ticks';

export interface NumberLineModel extends InteractionModel {
  readonly type: 'number-line';
  readonly scale: Scale;
  readonly mode: 'points' | 'interval';
  readonly counts: Counts;
}

/** Points of an answer, exact: a float that is a tick to nine digits (0.333333333 for a third) is that tick. */
export function pointsOn({ scale }: NumberLineModel, response: RawResponse): Rational[] {
  const ticks = ticksOf(scale);
  return responseTexts(response).flatMap((text) => {
    const value = exactOf(text);
    if (!value) return [];
    const near = ticks.find(
      (tick) =>
        Math.abs(q.toNumber(q.subtract(tick.value, value))) <=
        1e-9 * Math.max(1, Math.abs(q.toNumber(value))),
    );
    return [near?.value ?? value];
  });
}

/** The response for points, from left to right, each once. */
export function pointsResponse(points: readonly Rational[]): RawResponse {
  const sorted = [...points].sort(q.compare).filter((point, i, all) => {
    const before = all[i - 1];
    return !before || !q.equals(before, point);
  });
  return sorted.length > 0 ? sorted.map(floatText) : null;
}

/** A value kept between the ends of the line. */
export function clampTo(scale: Scale, value: Rational): Rational {
  const { min, max } = scaleOf(scale);
  if (q.compare(value, min) < 0) return min;
  return q.compare(value, max) > 0 ? max : value;
}

export type PointMove =
  | { readonly kind: 'changed'; readonly response: RawResponse }
  | { readonly kind: 'same' }
  | { readonly kind: 'full'; readonly maximum: number };

/** Plots one more point; where one is asked for it moves there; one over the maximum changes nothing and says so. */
export function plot(model: NumberLineModel, response: RawResponse, value: Rational): PointMove {
  const points = pointsOn(model, response);
  if (points.some((point) => q.equals(point, value))) return { kind: 'same' };
  const { maximum } = model.counts;
  if (maximum === 1) return { kind: 'changed', response: pointsResponse([value]) };
  if (maximum > 0 && points.length >= maximum) return { kind: 'full', maximum };
  return { kind: 'changed', response: pointsResponse([...points, value]) };
}

/** Our `number-line`: points, or rays and intervals with open and closed ends (items.md, "Interactions of our own"). */
export const numberLine = defineInteraction<NumberLineModel>({
  type: 'number-line',
  element: 'urn:able-compass:number-line',
  inline: false,
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
  progress(model, response) {
    const texts = responseTexts(response);
    if (texts.length === 0) return empty(model.mode === 'points' ? 'noPoint' : 'noInterval');
    if (model.mode === 'interval') return readIntervals(texts[0] ?? '') ? complete : partial('notReadable');
    const points = pointsOn(model, response);
    if (points.length < texts.length) return partial('notANumber');
    const offTheLine = points.some((point) => !q.equals(clampTo(model.scale, point), point));
    if (offTheLine) return partial('notReadable');
    const progress = countProgress(points.length, model.counts);
    return progress.state === 'partial' && points.length < model.counts.minimum
      ? partial('points', { wanted: model.counts.minimum, plotted: points.length })
      : progress;
  },
});
