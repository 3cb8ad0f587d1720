import * as z from 'zod/mini';
import type { ToolState } from '../types';

const manner = z.object({
  rate: z.number().check(z.minimum(0.5), z.maximum(2)),
  volume: z.number().check(z.minimum(0), z.maximum(1)),
});
export const READ_ALOUD: ToolState<z.infer<typeof manner>> = {
  schema: manner,
  initial: () => ({ rate: 1, volume: 1 }),
  scope: 'test',
};
export const RATES = [0.5, 0.75, 1, 1.25, 1.5, 2] as const;
