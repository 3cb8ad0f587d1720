import * as z from 'zod/mini';
import type { ToolState } from '../types';

const laid = z.object({
  x: z.number(),
  y: z.number(),
  angle: z.number(),
  flipped: z.boolean(),
  /** Which of the question's rulers. */
  which: z.number().check(z.int(), z.minimum(0), z.maximum(20)),
  /** Whether it was ever moved: until then it lies where it is put first. */
  touched: z.boolean(),
});
export type LaidState = z.infer<typeof laid>;
export const LAID: ToolState<LaidState> = {
  schema: laid,
  initial: () => ({ x: 0, y: 0, angle: 0, flipped: false, which: 0, touched: false }),
  scope: 'question',
};
