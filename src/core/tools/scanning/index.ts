/** Where something lies, CSS pixels. */
export interface Lies {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
}

/**
 * Things that stand beside one another are one row (they share more than half of the lower one’s height), from the top down, and in a row
 * from left to right: what is scanned together.
 */
export function rowsOf<T>(things: readonly T[], lies: (thing: T) => Lies): readonly (readonly T[])[] {
  const rows: { top: number; bottom: number; things: { thing: T; left: number }[] }[] = [];
  const sorted = things
    .map((thing) => {
      // One by one: a DOM box has no properties of its own.
      const { top, bottom, left: leftAt } = lies(thing);
      return { thing, top, bottom, left: leftAt };
    })
    .sort((a, b) => a.top - b.top || a.left - b.left);
  for (const { thing, top, bottom, left } of sorted) {
    const row = rows.find((one) => {
      const shared = Math.min(one.bottom, bottom) - Math.max(one.top, top);
      return shared > 0.5 * Math.min(one.bottom - one.top, bottom - top);
    });
    if (row) row.things.push({ thing, left });
    else rows.push({ top, bottom, things: [{ thing, left }] });
  }
  return rows
    .sort((a, b) => a.top - b.top)
    .map((row) => row.things.sort((a, b) => a.left - b.left).map(({ thing }) => thing));
}

/** What is gone through one after the other, and which of it is lit. */
export interface Level<T> {
  readonly items: readonly T[];
  readonly at: number;
}
/** Levels one in another: the groups of the screen, the rows of one, the controls of that. The last is the one that is gone through. */
export type Scan<T> = readonly Level<T>[];

/** The thing that is lit; null where there is nothing to go through. */
export const lit = <T>(scan: Scan<T>): T | null => {
  const level = scan.at(-1);
  return level?.items[level.at] ?? null;
};

/** On to the next thing, and after the last to the first. */
export function stepped<T>(scan: Scan<T>): Scan<T> {
  const level = scan.at(-1);
  if (!level || level.items.length === 0) return scan;
  return [...scan.slice(0, -1), { items: level.items, at: (level.at + 1) % level.items.length }];
}

/** Into what is lit. */
export const entered = <T>(scan: Scan<T>, items: readonly T[], at = 0): Scan<T> => [
  ...scan,
  { items, at: Math.max(0, Math.min(at, items.length - 1)) },
];

/** Back out of it; the outermost stays. */
export const left = <T>(scan: Scan<T>): Scan<T> => (scan.length > 1 ? scan.slice(0, -1) : scan);

/**
 * Milliseconds until the next step. What comes first in a level stays longer: one has to see first where one is (common practice, no
 * source).
 */
export const waits = (scan: Scan<unknown>, seconds: number): number =>
  seconds * 1_000 * (scan.at(-1)?.at === 0 ? 1.5 : 1);
