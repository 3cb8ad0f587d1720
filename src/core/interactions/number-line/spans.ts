import { readPieces, type Interval } from '../../geometry/intervals';
import type { Rational } from '../../math/rational';
import { responseTexts, type RawResponse } from '../../content/response';
import { splitBegun, withBegun } from '../begun';
import type { Said } from '../types';
import { exactOf, quantityText } from '../quantity';

/** An end of a drawn interval; `at` null runs on without end. */
export interface SpanEnd {
  readonly at: Rational | null;
  readonly closed: boolean;
}
/** A ray or interval being drawn. Kept in the order it was drawn in; what they mean together is their union. */
export interface Span {
  readonly from: SpanEnd;
  readonly to: SpanEnd;
}

/** The spans an answer in interval notation draws, as written; none when it cannot be read. */
export function spansOf(response: RawResponse): Span[] {
  const [text] = splitBegun(response).finished;
  return text === undefined ? [] : ((readPieces(text) satisfies Interval[] | null) ?? []);
}

const endText = ({ at }: SpanEnd, side: 'from' | 'to'): string =>
  at === null ? (side === 'from' ? '-inf' : 'inf') : quantityText(at);

/** One span in interval notation, e.g. `(-inf,2]`. */
export const spanText = ({ from, to }: Span): string =>
  `${from.closed && from.at !== null ? '[' : '('}${endText(from, 'from')},${endText(to, 'to')}${to.closed && to.at !== null ? ']' : ')'}`;

/** Where a span being drawn starts; null when none is. */
export const startOf = (response: RawResponse): Rational | null => exactOf(splitBegun(response).begun ?? '');

/** The answer for spans: interval notation, `(-inf,2)U[5,7]`, and the start of one being drawn. */
export function spansResponse(spans: readonly Span[], start: Rational | null = null): RawResponse {
  const text = spans.length > 0 ? [spans.map(spanText).join('U')] : [];
  const [one = null] = responseTexts(withBegun(text, start && quantityText(start)));
  return one;
}

/** Moves one end; the ends change places when one is moved past the other. */
export function moveEnd(
  span: Span,
  side: 'from' | 'to',
  at: Rational | null,
  compare: (a: Rational, b: Rational) => number,
): Span {
  const moved: Span = { ...span, [side]: { at, closed: at !== null && span[side].closed } };
  const { from, to } = moved;
  if (from.at === null || to.at === null || compare(from.at, to.at) <= 0) return moved;
  return { from: to, to: from };
}

/** Opens a closed end or closes an open one; an end that runs on stays open. */
export const toggleEnd = (span: Span, side: 'from' | 'to'): Span => ({
  ...span,
  [side]: { at: span[side].at, closed: span[side].at !== null && !span[side].closed },
});

/** Whether the span holds anything: `(2,2)` and `[2,2)` hold nothing. */
export const isEmptySpan = ({ from, to }: Span, compare: (a: Rational, b: Rational) => number): boolean =>
  from.at !== null && to.at !== null && compare(from.at, to.at) === 0 && !(from.closed && to.closed);

/** One end of a span as it is said. */
export const saidEnd = (
  { at, closed }: SpanEnd,
  side: 'from' | 'to',
  words: (value: Rational) => string,
): Said =>
  at === null
    ? { code: side === 'from' ? 'noStart' : 'noEnd' }
    : { code: 'end', values: { side, value: { number: words(at) }, closed: closed ? 'yes' : 'no' } };

/** A span as it is said: "from −1, included, to 2, not included". */
export const saidSpan = ({ from, to }: Span, words: (value: Rational) => string): Said => ({
  code: 'span',
  values: { from: saidEnd(from, 'from', words), to: saidEnd(to, 'to', words) },
});
