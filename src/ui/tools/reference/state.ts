import * as z from 'zod/mini';
import type { ToolState } from '../types';

/** How large a sheet is shown: 1 = a page as wide as the window, or letters as on the screen. */
export const SIZES = [0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3, 4] as const;

const state = z.object({
  /** Package path of the sheet looked at last; null = the first. */
  path: z.nullable(z.string().check(z.maxLength(1_000))),
  size: z.number().check(z.minimum(0.25), z.maximum(4)),
  /** How far down each sheet was scrolled, as a share of its height. */
  places: z.record(z.string(), z.number().check(z.minimum(0), z.maximum(1))),
});
export type ReferenceState = z.infer<typeof state>;
export const REFERENCE: ToolState<ReferenceState> = {
  schema: state,
  initial: () => ({ path: null, size: 1, places: {} }),
  scope: 'test',
};
