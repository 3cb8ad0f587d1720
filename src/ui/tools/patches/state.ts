import * as z from 'zod/mini';
import type { ToolState } from '../types';

/** More would be the whole page; for that there is "Cover screen". */
export const MOST = 6;

const share = z.number().check(z.minimum(0), z.maximum(1));
const rems = z.number().check(z.minimum(1), z.maximum(200));
const state = z.object({
  on: z.boolean(),
  /** Where each lies, as windows do (core/view/frame). */
  frames: z.array(z.object({ x: share, y: share, width: rems, height: rems })).check(z.maxLength(MOST)),
});
export type PatchesState = z.infer<typeof state>;

export const PATCHES: ToolState<PatchesState> = {
  schema: state,
  initial: (needs) => ({ on: needs.toolsOn.includes('patches'), frames: [] }),
  scope: 'test',
};
