import * as q from '../../math/rational';
import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { readIntervals, readPieces } from '../../geometry/intervals';
import { responseTexts, type RawResponse } from '../../content/response';
import type { Rational } from '../../math/rational';
import { countProgress, type Counts } from '../counts';
import { exactOf, floatText } from '../quantity';
import { scaleOf, ticksOf, type Scale } from './ticks';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'number-line': NumberLineModel;
  }
}

export interface NumberLineModel extends InteractionBase {
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
export const numberLine = defineKind<NumberLineModel>({
  type: 'number-line',
  inline: false,
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
  fault(model, texts) {
    const { min, max } = scaleOf(model.scale);
    const within = (value: Rational | null) =>
      value === null || (q.compare(value, min) >= 0 && q.compare(value, max) <= 0);
    if (model.mode === 'interval') {
      const pieces = readPieces(texts[0] ?? '');
      return texts.length === 1 && pieces?.every(({ from, to }) => within(from.at) && within(to.at))
        ? null
        : 'impossible';
    }
    const points = pointsOn(model, texts);
    const distinct = points.every((one, i) => !points.slice(i + 1).some((other) => q.equals(one, other)));
    if (points.length < texts.length || !points.every(within) || !distinct) return 'impossible';
    return model.counts.maximum > 0 && points.length > model.counts.maximum ? 'too-many' : null;
  },
});
