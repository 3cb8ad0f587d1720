import type { Holder } from './state';

/** Where a student is in the player: one thing at a time is on the screen. */
export type Position =
  /** A question of the open part; `fromReview`: it was gone to from there, and one press leads back. */
  | { readonly kind: 'question'; readonly fromReview: boolean }
  /** Looking over the questions. */
  | { readonly kind: 'review' }
  /** A part is about to be closed for good. */
  | { readonly kind: 'part-end'; readonly part: string }
  /** Somebody holds the attempt. */
  | { readonly kind: 'held'; readonly by: Holder }
  /** What the last check or the last part had to say. */
  | { readonly kind: 'feedback'; readonly identifiers: readonly string[] };

export const AT_QUESTION: Position = { kind: 'question', fromReview: false };
