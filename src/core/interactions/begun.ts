import { responseTexts, type RawResponse } from '../content/response';

/**
 * What a student has begun to draw and not finished (three corners of a shape, one end of an interval) stands behind the last text of
 * the answer as `UNFINISHED(…)`: kept, undone and told like the rest, and no part of what is scored.
 */
const BEGUN = /^([^]*?)\s*UNFINISHED\(([^()]*)\)\s*$/;

export interface WithBegun {
  /** The answer without it, text by text. */
  readonly finished: readonly string[];
  /** What is begun, in the kind's own words; null when nothing is. */
  readonly begun: string | null;
}

export function splitBegun(response: RawResponse): WithBegun {
  const texts = responseTexts(response);
  const [, before, begun] = BEGUN.exec(texts.at(-1) ?? '') ?? [];
  if (before === undefined || begun === undefined) return { finished: texts, begun: null };
  const rest = texts.slice(0, -1);
  return { finished: before === '' ? rest : [...rest, before], begun };
}

/** The answer with what is begun behind it; null when there is neither. */
export function withBegun(finished: readonly string[], begun: string | null): RawResponse {
  if (begun === null) return finished.length > 0 ? finished : null;
  const last = finished.at(-1);
  const text = `UNFINISHED(${begun})`;
  return last === undefined ? [text] : [...finished.slice(0, -1), `${last} ${text}`];
}

/** The answer as it is scored: without what is only begun. */
export function finishedOnly(response: RawResponse): RawResponse {
  const { finished, begun } = splitBegun(response);
  if (begun === null) return response;
  return finished.length === 0 ? null : typeof response === 'string' ? (finished[0] ?? null) : finished;
}
