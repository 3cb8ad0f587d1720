import type { Content } from '../content/content';
import type { RawResponse } from '../content/response';
import type { DeliveredItem, DeliveredTest } from '../item/delivered';
import type { MarkingRule, PersonPoints, Trait } from '../marking/marking';
import type { Agreement } from '../statistics/agreement';

/** What the pages of marking are made of: the server makes it, the pages show it. */

/** A question whose answers a person marks, with how far that is. */
export interface QuestionToMark {
  readonly testId: number;
  readonly test: string;
  readonly ref: string;
  /** What the item is called. */
  readonly title: string;
  readonly rule: MarkingRule;
  /** Answers, and of them those that are done; those this reader can still mark. */
  readonly answers: number;
  readonly done: number;
  readonly forYou: number;
  /** What this reader has marked and may still change. */
  readonly byYou: number;
  /** How far the first two readers agree; null before there are two. */
  readonly agreement: Agreement | null;
}
/** An answer as it was handed in, for whoever marks it: without a name. */
export interface AnswerToMark {
  readonly attemptId: string;
  readonly testId: number;
  readonly ref: string;
  readonly test: string;
  readonly title: string;
  readonly item: DeliveredItem;
  readonly stimuli: DeliveredTest['stimuli'];
  readonly responses: Readonly<Record<string, RawResponse>>;
  readonly rubrics: readonly Content[];
  readonly traits: readonly Trait[];
  /** What the machine gave for its part; null where all of it is a person's. */
  readonly machine: number | null;
  /** What this reader gave; null before they have. */
  readonly own: { readonly points: PersonPoints; readonly note: string } | null;
  /** What the two before gave in all, where they differ too much and this reader decides. */
  readonly differ: readonly [number, number] | null;
}
