import type { Stretch } from '../../annotate/units';

/** Letters as they are compared: without case, and without the marks on them (Unicode, NFD). */
const folded = (letters: string): string => letters.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** What is sought, made ready: any run of blanks fits any run of blanks, or none, for a line of a PDF ends without one. */
function patternOf(sought: string): RegExp | null {
  const words = folded(sought).trim().split(/\s+/).filter(Boolean);
  if (words.length === 0) return null;
  const escaped = words.map((word) => word.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&'));
  return new RegExp(escaped.join('\\s*'), 'gu');
}

/** Places found are no more than this: whoever seeks one letter is not kept waiting. */
export const MOST_FOUND = 500;

/**
 * Where words stand in a text, in its own letters and in order, not overlapping. Case, accents and the width of blanks make no
 * difference. Nothing sought is nothing found.
 */
export function findAll(text: string, sought: string): readonly Stretch[] {
  const pattern = patternOf(sought);
  if (!pattern) return [];
  // Folding may make one letter two or none: where each folded letter came from.
  let plain = '';
  const from: number[] = [];
  let at = 0;
  for (const letter of text) {
    const fold = folded(letter);
    for (let i = 0; i < fold.length; i += 1) from.push(at);
    plain += fold;
    at += letter.length;
  }
  const found: Stretch[] = [];
  for (const match of plain.matchAll(pattern)) {
    const start = from[match.index];
    const last = from[match.index + match[0].length - 1];
    if (start === undefined || last === undefined) continue;
    const end = last + String.fromCodePoint(text.codePointAt(last) ?? 0).length;
    found.push({ start, end });
    if (found.length >= MOST_FOUND) break;
  }
  return found;
}
