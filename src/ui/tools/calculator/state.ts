import * as z from 'zod/mini';
import type { ToolState } from '../types';

/** Letters of one calculation, and calculations that stay on the roll. */
export const LONGEST = 200;
export const ROLL = 20;

const line = z.string().check(z.maxLength(LONGEST * 2));
const state = z.object({
  /** What stands in the line. */
  draft: line,
  /** What was worked out, the last at the end; results are worked out anew. */
  roll: z.array(line).check(z.maxLength(ROLL)),
  /** As it would be typed; null = nothing kept. */
  memory: z.nullable(line),
  angle: z.enum(['degrees', 'radians']),
});
export type CalculatorState = z.infer<typeof state>;
export const CALCULATOR: ToolState<CalculatorState> = {
  schema: state,
  initial: () => ({ draft: '', roll: [], memory: null, angle: 'degrees' }),
  scope: 'test',
};
