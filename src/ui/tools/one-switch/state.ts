import * as z from 'zod/mini';
import type { ToolState } from '../types';

/** Seconds each thing is lit. */
export const SECONDS = [0.5, 0.75, 1, 1.5, 2, 3, 4, 6] as const;
/** Seconds a pointer rests until it counts as a press; null = it never does. */
export const RESTS = [null, 0.5, 0.75, 1, 1.5, 2, 3] as const;

const state = z.object({
  on: z.boolean(),
  /** `one`: it goes on by itself, and the switch chooses; `two`: one switch goes on, the other chooses. */
  switches: z.enum(['one', 'two']),
  seconds: z.number().check(z.minimum(0.3), z.maximum(20)),
  /** What is lit is also spoken. */
  spoken: z.boolean(),
  rests: z.nullable(z.number().check(z.minimum(0.3), z.maximum(10))),
});
export type OneSwitchState = z.infer<typeof state>;
export const ONE_SWITCH: ToolState<OneSwitchState> = {
  schema: state,
  initial: (needs) => ({
    on: needs.toolsOn.includes('one-switch'),
    switches: 'one',
    seconds: 1.5,
    spoken: false,
    rests: null,
  }),
  scope: 'test',
};
