import * as z from 'zod/mini';
import type { ToolState } from './types';

/** The state of a tool that is only on or off; on from the start where a teacher has set it so. */
export const switchState = (id: string, scope: ToolState['scope']): ToolState<{ readonly on: boolean }> => ({
  schema: z.object({ on: z.boolean() }),
  initial: (needs) => ({ on: needs.toolsOn.includes(id) }),
  scope,
});
