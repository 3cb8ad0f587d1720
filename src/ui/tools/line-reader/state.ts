import * as z from 'zod/mini';
import type { ToolState } from '../types';

export const SHADES = [50, 72, 88, 100] as const;
/** Colors of the window: none, or a highlighter's, which every scheme has at 7:1. */
export const TINTS = ['none', 'marigold', 'kelp', 'surf'] as const;

const state = z.object({
  on: z.boolean(),
  sheet: z.enum(['passage', 'question']),
  /** Lines in the window. */
  count: z.number().check(z.int(), z.minimum(1), z.maximum(5)),
  /** How much of what is not in the window the shade takes away, in per cent; 100 = all of it. */
  shade: z.number().check(z.minimum(0), z.maximum(100)),
  tint: z.enum(TINTS),
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
    shade: 72,
    tint: 'none',
    letters: {},
  }),
  scope: 'text',
};
