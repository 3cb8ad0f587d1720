import * as q from '../../math/rational';
import { defineKind, partial, empty, type InteractionBase } from '../types';
import { responseTexts, type RawResponse } from '../../content/response';
import { countProgress, type Counts } from '../counts';
import { exactOf } from '../quantity';
import { figureText, isFigure, readFigure, type Figure, type PlanePoint, type PlaneTool } from './figures';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'coordinate-plane': CoordinatePlaneModel;
  }
}

export interface Axis {
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly label: string;
}
export interface CoordinatePlaneModel extends InteractionBase {
  readonly type: 'coordinate-plane';
  readonly x: Axis;
  readonly y: Axis;
  /** Distance handles snap to along each axis; 0 = free. */
  readonly snap: { readonly x: number; readonly y: number };
  readonly tools: readonly PlaneTool[];
  readonly counts: Counts;
}

/** The figures of an answer, in the order they were drawn. */
export const figuresOf = (response: RawResponse): Figure[] =>
  responseTexts(response).flatMap((text) => readFigure(text) ?? []);

export const figuresResponse = (figures: readonly Figure[]): RawResponse =>
  figures.length > 0 ? figures.map(figureText) : null;

const onGrid = (value: number, { min, max }: Axis, snap: number): number => {
  const free = Math.max(min, Math.min(max, value));
  const snapped = snap > 0 ? Math.round(free / snap) * snap : free;
  return Number(Math.max(min, Math.min(max, snapped)).toPrecision(12));
};

/** A place of the plane a handle may take: on the grid, inside the axes. */
export const snapPoint = (model: CoordinatePlaneModel, { x, y }: PlanePoint): PlanePoint => ({
  x: onGrid(x, model.x, model.snap.x),
  y: onGrid(y, model.y, model.snap.y),
});

/** A point as people type it: `2, 3`, `(2, -1/2)`, `2 3`; null when it is none. */
export function readTypedPoint(text: string): PlanePoint | null {
  const inside = text.trim().replace(/^\(/, '').replace(/\)$/, '').trim();
  const parts = /[,;]/.test(inside) ? inside.split(/[,;]/) : inside.split(/\s+/);
  const [x, y] = parts.map((part) => exactOf(part));
  return x && y && parts.length === 2 ? { x: q.toNumber(x), y: q.toNumber(y) } : null;
}

/** Whether a point lies inside the axes. */
export const isOnPlane = ({ x, y }: CoordinatePlaneModel, point: PlanePoint): boolean =>
  point.x >= x.min && point.x <= x.max && point.y >= y.min && point.y <= y.max;

export type DrawMove =
  | { readonly kind: 'changed'; readonly response: RawResponse }
  | { readonly kind: 'none' }
  | { readonly kind: 'full'; readonly maximum: number };

/** Adds a figure; one over the maximum changes nothing and says so, and where one is wanted the new one takes its place. */
export function draw(model: CoordinatePlaneModel, response: RawResponse, figure: Figure): DrawMove {
  if (!isFigure(figure)) return { kind: 'none' };
  const figures = figuresOf(response);
  const { maximum } = model.counts;
  if (maximum === 1) return { kind: 'changed', response: figuresResponse([figure]) };
  if (maximum > 0 && figures.length >= maximum) return { kind: 'full', maximum };
  return { kind: 'changed', response: figuresResponse([...figures, figure]) };
}

/** Changes one figure (null takes it away); a change that leaves no figure (two handles in one place) is not made. */
export function redraw(response: RawResponse, index: number, figure: Figure | null): DrawMove {
  const figures = figuresOf(response);
  if (figure === null)
    return { kind: 'changed', response: figuresResponse(figures.filter((_, i) => i !== index)) };
  if (!isFigure(figure)) return { kind: 'none' };
  return {
    kind: 'changed',
    response: figuresResponse(figures.map((one, i) => (i === index ? figure : one))),
  };
}

export const MAX_LINES = 120;

/** Our `coordinate-plane` (items.md, "Interactions of our own"). */
export const coordinatePlane = defineKind<CoordinatePlaneModel>({
  type: 'coordinate-plane',
  inline: false,
  progress(model, response) {
    const texts = responseTexts(response);
    if (texts.length === 0) return empty('nothingDrawn');
    const figures = figuresOf(response);
    if (figures.length < texts.length) return partial('notReadable');
    const { minimum } = model.counts;
    if (figures.length < minimum) return partial('drawn', { wanted: minimum, drawn: figures.length });
    return countProgress(figures.length, model.counts);
  },
  fault(model, texts) {
    const figures = figuresOf(texts);
    const drawable = (figure: Figure) =>
      model.tools.includes(figure.tool) &&
      isFigure(figure) &&
      figure.points.every((point) => isOnPlane(model, point));
    if (figures.length < texts.length || !figures.every(drawable)) return 'impossible';
    return model.counts.maximum > 0 && figures.length > model.counts.maximum ? 'too-many' : null;
  },
});
