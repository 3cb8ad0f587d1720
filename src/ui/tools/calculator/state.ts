import * as z from 'zod/mini';
import { FIRST_VIEW } from '@/core/tools/calculator';
import type { ToolState } from '../types';

/** Letters of one calculation, and calculations that stay on the roll. */
export const LONGEST = 200;
export const ROLL = 20;
/** Functions that are drawn at once. */
export const GRAPHS = 4;

const line = z.string().check(z.maxLength(LONGEST * 2));
const range = z.object({ min: z.number(), max: z.number() }).check(z.refine(({ min, max }) => max > min));
const state = z.object({
  /** What stands in the line. */
  draft: line,
  /** What was worked out, the last at the end; results are worked out anew. */
  roll: z.array(line).check(z.maxLength(ROLL)),
  /** As it would be typed; null = nothing kept. */
  memory: z.nullable(line),
  angle: z.enum(['degrees', 'radians']),
  /** What the graphing kind draws: up to four functions, and the window on the plane. */
  graphs: z.object({
    shown: z.boolean(),
    functions: z.array(line).check(z.maxLength(GRAPHS)),
    view: z.object({ x: range, y: range }),
    /** Where the curves are read, as x. */
    trace: z.number(),
  }),
});
export type CalculatorState = z.infer<typeof state>;
export const CALCULATOR: ToolState<CalculatorState> = {
  schema: state,
  initial: () => ({
    draft: '',
    roll: [],
    memory: null,
    angle: 'degrees',
    graphs: { shown: false, functions: [], view: FIRST_VIEW, trace: 0 },
  }),
  scope: 'test',
};
