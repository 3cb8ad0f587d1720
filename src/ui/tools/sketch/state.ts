import * as z from 'zod/mini';
import { MOST_POINTS, MOST_STROKES, SKETCH_COLOURS, SKETCH_WIDTHS, type Stroke } from '@/core/tools/sketch';
import type { Kept } from '../../attempt/kept';
import type { ToolState } from '../types';

const whole = z.number().check(z.int());
const stroke = z.object({
  hold: z.discriminatedUnion('on', [
    z.object({ on: z.literal('figure'), index: whole }),
    z.object({ on: z.literal('letter'), letter: whole }),
  ]),
  kind: z.enum(['pencil', 'line']),
  colour: z.enum(SKETCH_COLOURS),
  width: z.number().check(z.minimum(0.05), z.maximum(2)),
  points: z.array(whole).check(z.maxLength(2 * MOST_POINTS)),
});
/** Each stroke is kept under a name of its own, so that drawing one sends one; a stroke that was rubbed out is null. */
export const STROKES: ToolState = {
  schema: z.record(z.string(), z.unknown()),
  initial: () => ({}),
  scope: 'question',
};
/** The strokes of a question in the order they were drawn; what cannot be read is left out. */
export const strokesOf = (kept: Kept): readonly (Stroke & { readonly name: string })[] =>
  Object.keys(kept)
    .sort((a, b) => Number(a) - Number(b))
    .flatMap((name) => {
      const read = stroke.safeParse(kept[name]);
      return read.success ? [{ name, ...read.data }] : [];
    })
    .slice(-MOST_STROKES);
/** A name for the next stroke: after all that were ever drawn. */
export const nextName = (kept: Kept): string =>
  String(Math.max(0, ...Object.keys(kept).map(Number).filter(Number.isFinite)) + 1);

const pen = z.object({
  kind: z.enum(['pencil', 'line', 'eraser']),
  colour: z.enum(SKETCH_COLOURS),
  width: z.number(),
  shown: z.boolean(),
});
export const PEN: ToolState<z.infer<typeof pen>> = {
  schema: pen,
  initial: () => ({ kind: 'pencil', colour: 'accent', width: SKETCH_WIDTHS[1], shown: true }),
  scope: 'test',
};
