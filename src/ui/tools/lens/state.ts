import * as z from 'zod/mini';
import type { ToolState } from '../types';

const state = z.object({
  times: z.number().check(z.minimum(1.5), z.maximum(8)),
  /** Which of the sizes. */
  size: z.number().check(z.int(), z.minimum(0), z.maximum(3)),
  /** Whether it goes with the pointer and the focus, or stays where it was put. */
  follows: z.boolean(),
});
export type LensState = z.infer<typeof state>;
export const LENS: ToolState<LensState> = {
  schema: state,
  initial: () => ({ times: 2, size: 1, follows: true }),
  scope: 'test',
};
