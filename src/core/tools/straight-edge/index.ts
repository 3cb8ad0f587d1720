/** A tick of an axis: where it lies, in pixels from the figure's corner, and what it stands for. */
export interface AxisTick {
  readonly at: number;
  /** Empty where the axis does not say it: then neither do we, for it may be what is asked. */
  readonly words: string;
}

/** How near a tick a line must come to be drawn to it, in pixels at 100 %. */
export const NEAR = 7;

/** What a line shows on an axis: a tick, what lies on either side, or what it lies beyond. */
export type Reading =
  | { readonly kind: 'on'; readonly words: string }
  | { readonly kind: 'between'; readonly before: string; readonly after: string }
  | { readonly kind: 'beyond'; readonly words: string };

const sorted = (ticks: readonly AxisTick[]) => [...ticks].sort((a, b) => a.at - b.at);

/** A line drawn to the nearest tick, where one is near; else as it is. */
export function snapped(at: number, ticks: readonly AxisTick[], near: number): number {
  const [nearest] = [...ticks].sort((a, b) => Math.abs(a.at - at) - Math.abs(b.at - at));
  return nearest && Math.abs(nearest.at - at) <= near ? nearest.at : at;
}

/** The next tick in a direction; null where there is none. */
export function nextTick(at: number, ticks: readonly AxisTick[], by: 1 | -1): number | null {
  const further = sorted(ticks).filter((tick) => (by === 1 ? tick.at > at + 0.5 : tick.at < at - 0.5));
  return (by === 1 ? further[0] : further.at(-1))?.at ?? null;
}

/** What a line shows; null where the figure has no such axis. An estimate between two ticks is the student's own. */
export function readingOf(at: number, ticks: readonly AxisTick[]): Reading | null {
  const all = sorted(ticks.filter(({ words }) => words !== ''));
  const [first] = all;
  const last = all.at(-1);
  if (!first || !last) return null;
  const on = all.find((tick) => Math.abs(tick.at - at) <= 0.5);
  if (on) return { kind: 'on', words: on.words };
  const before = all.findLast((tick) => tick.at < at);
  const after = all.find((tick) => tick.at > at);
  return before && after
    ? { kind: 'between', before: before.words, after: after.words }
    : { kind: 'beyond', words: (before ?? after ?? first).words };
}
