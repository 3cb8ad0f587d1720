import { responseTexts, type RawResponse } from '../content/response';
import type { Counts } from './counts';
import { complete, empty, partial, type Progress } from './types';

/** Points set on a picture, in pixels of it: the moves of select point and position object. */
export interface PicturePoint {
  readonly x: number;
  readonly y: number;
}
export type PointMove =
  | { readonly kind: 'changed'; readonly points: readonly PicturePoint[] }
  | { readonly kind: 'full'; readonly maximum: number };

/** The points a response says; what is no point is left out. */
export function pointsOf(response: RawResponse): PicturePoint[] {
  return responseTexts(response).flatMap((text): PicturePoint[] => {
    const [x, y, ...rest] = text
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    const known = x !== undefined && y !== undefined && Number.isFinite(x) && Number.isFinite(y);
    return known && rest.length === 0 ? [{ x, y }] : [];
  });
}

/** The response for points, whole pixels (QTI 3.0: a point is a pair of integers); one text where one point is wanted. */
export function pointTexts(points: readonly PicturePoint[], multiple: boolean): RawResponse {
  const texts = points.map(({ x, y }) => `${Math.round(x)} ${Math.round(y)}`);
  if (texts.length === 0) return null;
  return multiple ? texts : (texts.at(-1) ?? null);
}

/** Sets one more point; where one is wanted it moves there; else one over the maximum changes nothing and says so. */
export function addPoint(points: readonly PicturePoint[], point: PicturePoint, maximum: number): PointMove {
  if (maximum === 1) return { kind: 'changed', points: [point] };
  if (maximum > 0 && points.length >= maximum) return { kind: 'full', maximum };
  return { kind: 'changed', points: [...points, point] };
}

export const movePoint = (
  points: readonly PicturePoint[],
  index: number,
  point: PicturePoint,
): PicturePoint[] => points.map((one, i) => (i === index ? point : one));

export const removePoint = (points: readonly PicturePoint[], index: number): PicturePoint[] =>
  points.filter((_, i) => i !== index);

/** Progress of points: as many as asked for. */
export function pointProgress(response: RawResponse, { minimum, maximum }: Counts): Progress {
  const set = pointsOf(response).length;
  if (set === 0) return empty('nothingPlaced');
  if (set < minimum) return partial('pointsSet', { wanted: minimum, set });
  return maximum > 0 && set > maximum ? partial('tooMany', { maximum, chosen: set }) : complete;
}
