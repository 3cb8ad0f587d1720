import { resolveAnchor } from '@/core/annotate/anchor';
import type { Highlight as Mark } from '@/core/attempt/state';
import { rangesFor, textOf } from '../domText';

export const COLOURS = ['marigold', 'kelp', 'heather', 'surf'] as const;

/** Ranges of each sheet; the registry of the page holds one highlight per colour for all of them. */
const painted = new Map<string, Map<string, StaticRange[]>>();

function publish(): void {
  for (const colour of COLOURS) {
    const ranges = [...painted.values()].flatMap((sheet) => sheet.get(colour) ?? []);
    if (ranges.length === 0) CSS.highlights.delete(`able-${colour}`);
    else CSS.highlights.set(`able-${colour}`, new Highlight(...ranges));
  }
}

/** Paints the marks of a text with the CSS Custom Highlight API; the DOM that React owns is not touched. */
export function paintMarks(sheet: string, root: HTMLElement, marks: readonly Mark[]): void {
  const text = textOf(root);
  const ranges = new Map<string, StaticRange[]>();
  for (const mark of marks) {
    const place = resolveAnchor(text, mark);
    if (!place) continue;
    ranges.set(mark.colour, [...(ranges.get(mark.colour) ?? []), ...rangesFor(root, place.start, place.end)]);
  }
  painted.set(sheet, ranges);
  publish();
}

export function unpaint(sheet: string): void {
  painted.delete(sheet);
  publish();
}

/** Whether this browser can paint highlights at all. */
export const canPaint = (): boolean => typeof CSS !== 'undefined' && 'highlights' in CSS;
