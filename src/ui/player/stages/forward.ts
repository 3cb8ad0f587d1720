import * as z from 'zod/mini';
import type { KeptState } from '../../attempt/kept';

/** Parts of which it was said that there is no way back in them. */
export const FORWARD: KeptState<{ told: string[] }> = {
  schema: z.object({ told: z.array(z.string()) }),
  initial: () => ({ told: [] }),
};
