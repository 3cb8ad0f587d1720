import * as z from 'zod/mini';
import { switchState } from '../switchState';
import type { ToolState } from '../types';

export const STRAIGHT_EDGE = switchState('straight-edge', 'test');

const share = z.number().check(z.minimum(0), z.maximum(1));
const place = z.object({
  /** Which figure of the question, counted in its order. */
  figure: z.number().check(z.int(), z.minimum(0), z.maximum(1_000)),
  /** Where the lines cross, as shares of the figure. */
  x: share,
  y: share,
});
export type EdgePlace = z.infer<typeof place>;
/** Where it lies at a question. */
export const PLACE: ToolState<EdgePlace> = {
  schema: place,
  initial: () => ({ figure: 0, x: 0.5, y: 0.5 }),
  scope: 'question',
};
