import { responseTexts, type RawResponse } from './response';

/** Words of a text being written, its markup left aside: a new one begins a new step of undo. */
export const wordsBegun = (response: RawResponse): number =>
  responseTexts(response)
    .join(' ')
    .replace(/<[^>]*>/g, ' ')
    .match(/\S+/g)?.length ?? 0;

/** A text of at most that many letters, cut between words and marked where something is left out. */
export const shortened = (text: string, letters: number): string =>
  text.length <= letters ? text : `${text.slice(0, letters).replace(/\s+\S*$/, '')} …`;
