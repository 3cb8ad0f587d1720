/** A stretch of a text, in letters from its beginning. */
export interface Stretch {
  readonly start: number;
  readonly end: number;
}
/** What keys go by when words are picked. */
export type TextUnit = 'word' | 'sentence' | 'paragraph';

/** A stretch without the blanks at its ends; null when there is nothing else. */
export function trimmed(text: string, { start, end }: Stretch): Stretch | null {
  const words = text.slice(start, end);
  const from = start + words.length - words.trimStart().length;
  const to = end - (words.length - words.trimEnd().length);
  return to > from ? { start: from, end: to } : null;
}

/**
 * The words, sentences or paragraphs of a text in reading order, by the rules of Unicode (UAX #29, as `Intl.Segmenter` has them).
 * @param blocks where its paragraphs, cells and headings begin, in letters; words and sentences never run over one
 * @param language of the text, BCP 47
 */
export function unitsOf(
  text: string,
  blocks: readonly number[],
  unit: TextUnit,
  language: string,
): readonly Stretch[] {
  const starts = [...new Set([0, ...blocks])].sort((a, b) => a - b);
  const paragraphs = starts.flatMap(
    (start, i) => trimmed(text, { start, end: starts[i + 1] ?? text.length }) ?? [],
  );
  if (unit === 'paragraph') return paragraphs;
  const segmenter = new Intl.Segmenter(language, { granularity: unit });
  return paragraphs.flatMap((paragraph) =>
    [...segmenter.segment(text.slice(paragraph.start, paragraph.end))]
      .filter((one) => unit !== 'word' || one.isWordLike)
      .flatMap(({ segment, index }) => {
        const start = paragraph.start + index;
        return trimmed(text, { start, end: start + segment.length }) ?? [];
      }),
  );
}

/** The unit at a place or the first after it; the last where there is none. */
export const unitAt = (units: readonly Stretch[], place: number): Stretch | null =>
  units.find((one) => one.end > place) ?? units.at(-1) ?? null;

/** The unit after or before a stretch; null at the ends of the text. */
export function unitBeside(
  units: readonly Stretch[],
  { start, end }: Stretch,
  direction: 1 | -1,
): Stretch | null {
  return direction === 1
    ? (units.find((one) => one.start >= end) ?? null)
    : (units.findLast((one) => one.end <= start) ?? null);
}
