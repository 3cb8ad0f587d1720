import * as q from '../../math/rational';
import { defineKind, partial, empty, type InteractionBase } from '../types';
import { responseTexts, type RawResponse } from '../../content/response';
import { countProgress, type Counts } from '../counts';
import { exactOf } from '../quantity';
import { finishedOnly, splitBegun, withBegun } from '../begun';
import {
  beganText,
  figureText,
  isBegun,
  isFigure,
  readBegun,
  readFigure,
  type Begun,
  type Figure,
  type PlanePoint,
  type PlaneTool,
  saidBegun,
  saidFigure,
} from './figures';

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

/** The finished figures of an answer, in the order they were drawn. */
export const figuresOf = (response: RawResponse): Figure[] =>
  splitBegun(response).finished.flatMap((text) => readFigure(text) ?? []);

/** The figure of an answer that is being drawn; null when none is. */
export const begunOf = (response: RawResponse): Begun | null => {
  const { begun } = splitBegun(response);
  return begun === null ? null : readBegun(begun);
};

/** The answer for what is drawn and what is being drawn. */
export const figuresResponse = (figures: readonly Figure[], begun: Begun | null = null): RawResponse =>
  withBegun(figures.map(figureText), begun && beganText(begun));

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

/** Goes on drawing a figure; null gives it up. One that would be over the maximum is not begun. */
export function begin(model: CoordinatePlaneModel, response: RawResponse, begun: Begun | null): DrawMove {
  const figures = figuresOf(response);
  const { maximum } = model.counts;
  if (begun && maximum > 1 && figures.length >= maximum) return { kind: 'full', maximum };
  return { kind: 'changed', response: figuresResponse(figures, begun) };
}

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
  if (figure && !isFigure(figure)) return { kind: 'none' };
  const next = figures.flatMap((one, i) => (i === index ? (figure ?? []) : one));
  return { kind: 'changed', response: figuresResponse(next, begunOf(response)) };
}

export const MAX_LINES = 120;

/** What is missing of a figure being drawn. */
const UNFINISHED: Readonly<Partial<Record<PlaneTool, string>>> = {
  polygon: 'shapeOpen',
  halfplane: 'halfplaneOpen',
};

/** Our `coordinate-plane` (items.md, "Interactions of our own"). */
export const coordinatePlane = defineKind<CoordinatePlaneModel>({
  type: 'coordinate-plane',
  inline: false,
  finished: finishedOnly,
  progress(model, response) {
    if (responseTexts(response).length === 0) return empty('nothingDrawn');
    const { finished, begun } = splitBegun(response);
    const figures = figuresOf(response);
    if (figures.length < finished.length) return partial('notReadable');
    if (begun !== null) return partial(UNFINISHED[begunOf(response)?.tool ?? 'line'] ?? 'figureOpen');
    const { minimum } = model.counts;
    if (figures.length < minimum) return partial('drawn', { wanted: minimum, drawn: figures.length });
    return countProgress(figures.length, model.counts);
  },
  said(_model, response) {
    const begun = begunOf(response);
    return [...figuresOf(response).map(saidFigure), ...(begun ? [saidBegun(begun)] : [])];
  },
  fault(model, texts) {
    const { finished, begun } = splitBegun(texts);
    const figures = figuresOf(texts);
    const drawable = ({ tool, points }: Begun) =>
      model.tools.includes(tool) && points.every((point) => isOnPlane(model, point));
    if (figures.length < finished.length) return 'impossible';
    if (!figures.every((figure) => isFigure(figure) && drawable(figure))) return 'impossible';
    const unfinished = begunOf(texts);
    if (begun !== null && !(unfinished && isBegun(unfinished) && drawable(unfinished))) return 'impossible';
    return model.counts.maximum > 0 && figures.length > model.counts.maximum ? 'too-many' : null;
  },
});
