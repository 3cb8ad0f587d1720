/** A stretch of a text in a colour: `start` included, `end` not, counted in UTF-16 units of the text. */
export interface Range<C extends string = string> {
  readonly start: number;
  readonly end: number;
  readonly colour: C;
}

/**
 * Paints a stretch, or takes paint away with `null`. What it covers changes, what it only touches in the same colour
 * joins it; the result is sorted and free of overlaps.
 */
export function paint<C extends string>(
  ranges: readonly Range<C>[],
  start: number,
  end: number,
  colour: C | null,
): Range<C>[] {
  if (end <= start) return [...ranges];
  const kept = ranges.flatMap((range): Range<C>[] => {
    const before = { ...range, end: Math.min(range.end, start) };
    const after = { ...range, start: Math.max(range.start, end) };
    return [before, after].filter((piece) => piece.end > piece.start);
  });
  const all = colour === null ? kept : [...kept, { start, end, colour }];
  return all
    .sort((a, b) => a.start - b.start)
    .reduce<Range<C>[]>((joined, range) => {
      const last = joined.at(-1);
      if (last && last.colour === range.colour && last.end >= range.start) {
        joined[joined.length - 1] = { ...last, end: Math.max(last.end, range.end) };
      } else joined.push(range);
      return joined;
    }, []);
}

/** Whether any paint lies on a stretch. */
export const isPainted = (ranges: readonly Range[], start: number, end: number): boolean =>
  ranges.some((range) => range.start < end && range.end > start);
