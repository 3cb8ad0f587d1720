import * as z from 'zod/mini';
import type { ToolState } from '../types';

const state = z.object({
  on: z.boolean(),
  sheet: z.enum(['passage', 'question']),
  /** Lines in the window. */
  count: z.number().check(z.int(), z.minimum(1), z.maximum(5)),
  /** The letter of the text that the window begins with, per text: lines differ from screen to screen. */
  letters: z.record(z.string(), z.number()),
});
export type LineReaderState = z.infer<typeof state>;

export const LINE_READER: ToolState<LineReaderState> = {
  schema: state,
  initial: (needs) => ({
    on: needs.toolsOn.includes('line-reader'),
    sheet: 'passage',
    count: 1,
    letters: {},
  }),
  scope: 'text',
};
