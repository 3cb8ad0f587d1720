import { responseTexts, type RawResponse } from './response';

/** Words of a text being written, its markup left aside: a new one begins a new step of undo. */
export const wordsBegun = (response: RawResponse): number =>
  responseTexts(response)
    .join(' ')
    .replace(/<[^>]*>/g, ' ')
    .match(/\S+/g)?.length ?? 0;
