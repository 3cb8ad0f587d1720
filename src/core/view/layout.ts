/**
 * How much fits: two sheets beside one another, one above the other (a tablet held upright), or all in one column that scrolls
 * as a whole.
 */
export type Layout = 'wide' | 'stacked' | 'narrow';

/**
 * The layout for a window of so many CSS pixels at a magnification (1 = 100 %). Decided on what is left after
 * magnifying, so that 1280 px at 400 % is treated like a 320 px screen (WCAG 2.2 §1.4.10, reflow).
 */
export function layoutFor(width: number, height: number, magnification: number): Layout {
  const [w, h] = [width / magnification, height / magnification];
  if (w < 660 || h < 420) return 'narrow';
  return w >= 980 || (w >= 800 && h < 640) ? 'wide' : 'stacked';
}

/** Whether not even the one line at the top of a narrow screen has room for words: pictures and numbers stand for them. */
export const isTight = (width: number, magnification: number): boolean => width / magnification < 480;

/** Steps of the magnifier, as factors. */
export const MAGNIFICATIONS = [1, 1.25, 1.5, 1.75, 2, 2.5, 3, 4] as const;

/** The next step up or down; the same at the ends. */
export function stepMagnification(current: number, direction: 1 | -1): number {
  const at = MAGNIFICATIONS.findIndex((step) => step >= current - 1e-9);
  return MAGNIFICATIONS[Math.max(0, Math.min(MAGNIFICATIONS.length - 1, at + direction))] ?? current;
}
