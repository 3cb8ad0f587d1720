/** Where words stand in a text: a position with the words themselves (W3C Web Annotation, text position and quote selectors). */
export interface Anchor {
  readonly start: number;
  readonly end: number;
  readonly exact: string;
}

/** The anchor for a stretch of a text. */
export function anchorAt(text: string, start: number, end: number): Anchor {
  return { start, end, exact: text.slice(start, end) };
}

/**
 * Where an anchor is now. By position when the words still stand there, else at the nearest place where the same words
 * stand; null when they are gone.
 */
export function resolveAnchor(text: string, anchor: Anchor): { start: number; end: number } | null {
  if (text.slice(anchor.start, anchor.end) === anchor.exact) return { start: anchor.start, end: anchor.end };
  if (anchor.exact === '') return null;
  let best: number | null = null;
  for (let at = text.indexOf(anchor.exact); at >= 0; at = text.indexOf(anchor.exact, at + 1)) {
    if (best === null || Math.abs(at - anchor.start) < Math.abs(best - anchor.start)) best = at;
  }
  return best === null ? null : { start: best, end: best + anchor.exact.length };
}
