import * as q from '../../math/rational';
import { defineKind, complete, empty, partial, type InteractionBase } from '../types';
import { readIntervals, readPieces } from '../../geometry/intervals';
import { responseTexts, type RawResponse } from '../../content/response';
import type { Rational } from '../../math/rational';
import { countProgress, type Counts } from '../counts';
import { exactOf, floatText } from '../quantity';
import { finishedOnly, splitBegun } from '../begun';
import { saidNumber } from '../said';
import { saidSpan, spansOf, startOf } from './spans';
import { labelOf, scaleOf, stepFrom, ticksOf, type Scale } from './ticks';

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

/** The response for points, each once, in the order they were put down: the second stays the second wherever it is moved. */
export function pointsResponse(points: readonly Rational[]): RawResponse {
  const distinct = points.filter((point, i) => points.findIndex((other) => q.equals(other, point)) === i);
  return distinct.length > 0 ? distinct.map(floatText) : null;
}

/**
 * Where a point goes by one step of the keys: to the next tick, over other points in its way.
 * @returns the point itself where there is no free tick on that side
 */
export function stepPoint(
  model: NumberLineModel,
  points: readonly Rational[],
  index: number,
  direction: 1 | -1,
): Rational {
  const from = points[index] ?? q.ZERO;
  const ticks = ticksOf(model.scale);
  for (let at = from; ;) {
    const next = stepFrom(ticks, at, direction);
    if (q.equals(next, at)) return from;
    if (!points.some((point, i) => i !== index && q.equals(point, next))) return next;
    at = next;
  }
}

/** A value as people type it: what it is, or why it can't be one of this line. */
export function readOnLine(scale: Scale, text: string): Rational | 'not-a-number' | 'outside' {
  const value = exactOf(text);
  if (!value) return 'not-a-number';
  return q.equals(clampTo(scale, value), value) ? value : 'outside';
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
  finished: finishedOnly,
  progress(model, response) {
    const texts = responseTexts(response);
    if (texts.length === 0) return empty(model.mode === 'points' ? 'noPoint' : 'noInterval');
    if (model.mode === 'interval') {
      const { finished, begun } = splitBegun(response);
      if (begun !== null) return partial('intervalOpen');
      return readIntervals(finished[0] ?? '') ? complete : partial('notReadable');
    }
    const points = pointsOn(model, response);
    if (points.length < texts.length) return partial('notANumber');
    const offTheLine = points.some((point) => !q.equals(clampTo(model.scale, point), point));
    if (offTheLine) return partial('notReadable');
    const progress = countProgress(points.length, model.counts);
    return progress.state === 'partial' && points.length < model.counts.minimum
      ? partial('points', { wanted: model.counts.minimum, plotted: points.length })
      : progress;
  },
  said(model, response) {
    const style = model.scale.labels === 'fraction' ? 'fraction' : 'decimal';
    const words = (value: Rational) => labelOf(value, style);
    if (model.mode === 'points') return pointsOn(model, response).map((value) => saidNumber(words(value)));
    const start = startOf(response);
    return [
      ...spansOf(response).map((span) => saidSpan(span, words)),
      ...(start ? [{ code: 'spanBegun', values: { from: { number: words(start) } } }] : []),
    ];
  },
  fault(model, texts) {
    const { min, max } = scaleOf(model.scale);
    const within = (value: Rational | null) =>
      value === null || (q.compare(value, min) >= 0 && q.compare(value, max) <= 0);
    if (model.mode === 'interval') {
      const { finished, begun } = splitBegun(texts);
      const [text] = finished;
      const pieces = text === undefined ? [] : readPieces(text);
      const start = startOf(texts);
      if (texts.length !== 1 || (begun !== null && !(start && within(start)))) return 'impossible';
      return pieces?.every(({ from, to }) => within(from.at) && within(to.at)) ? null : 'impossible';
    }
    const points = pointsOn(model, texts);
    const distinct = points.every((one, i) => !points.slice(i + 1).some((other) => q.equals(one, other)));
    if (points.length < texts.length || !points.every(within) || !distinct) return 'impossible';
    return model.counts.maximum > 0 && points.length > model.counts.maximum ? 'too-many' : null;
  },
});
