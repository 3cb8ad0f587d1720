import type { Points } from '../sitting/points';
import type { Misfit } from '../sitting/rescore';
import type { ItemStatistics, OptionStatistics, TestStatistics } from '../statistics/items';
import type { GivableTest } from './desk';

/** What the pages of results are made of. */

/** A version of a test that somebody has handed in. */
export interface TestWithResults extends GivableTest {
  readonly handedIn: number;
  /** Attempts of which a person has still to mark something. */
  readonly toMark: number;
  /** Attempts whose results are held back; and those that were, and have been released. */
  readonly held: number;
  readonly released: number;
}
/** An attempt that is handed in. */
export interface StudentResult {
  readonly attemptId: string;
  readonly student: string;
  readonly signInName: string;
  readonly handedInAt: number;
  /** Milliseconds of the test's clock. */
  readonly usedMs: number;
  /** Null of one that was handed in before points were kept. */
  readonly points: Points | null;
  readonly toMark: boolean;
  readonly held: boolean;
}
/** What an option of a question was worth to those who took it. */
export interface OptionFigures extends OptionStatistics {
  readonly option: string;
  /** What the option says; its identifier where it has no words. */
  readonly words: string;
  readonly right: boolean;
  /** The share that chose it in each fifth of the students, from the lowest total to the highest; empty for too few. */
  readonly curve: readonly number[];
}
/** A question as everyone answered it who was given it. */
export interface QuestionFigures extends Omit<ItemStatistics, 'options'> {
  readonly ref: string;
  readonly title: string;
  /** False of one on trial. */
  readonly counts: boolean;
  /** Answers of which a person has still to mark something; they are in none of the figures. */
  readonly toMark: number;
  /** Of the time on it, in milliseconds; null where it was not kept. */
  readonly medianMs: number | null;
  /** Of the counted questions without it. */
  readonly alphaWithout: number | null;
  /** Where one of several options is chosen. */
  readonly options: readonly OptionFigures[];
}
export interface TestFigures {
  readonly n: number;
  /** Too few to lean on. */
  readonly few: boolean;
  readonly questions: readonly QuestionFigures[];
  readonly test: TestStatistics;
  /** What each is worth in the counted questions that everybody was given, for a picture of how they lie. */
  readonly totals: readonly number[];
}

/** A version of a test by whose keys it can be scored. */
export interface KeyVersion {
  readonly testId: number;
  readonly importedAt: number;
  /** The one that was taken. */
  readonly own: boolean;
  /** It is scored by this one now. */
  readonly counts: boolean;
}
/** A test is scored by other keys than its own: since when, by whose decision, and by those of the version that came when. */
export interface CorrectedKeys {
  readonly by: string;
  readonly at: number;
  readonly reason: string;
  readonly importedAt: number;
}
/** For how many a question would be worth more, and less. */
export interface RescoredQuestion {
  readonly ref: string;
  readonly title: string;
  readonly up: number;
  readonly down: number;
}
/** An attempt that would be worth something else. */
export interface RescoredStudent {
  readonly attemptId: string;
  readonly student: string;
  readonly before: number;
  readonly after: number;
}
/** What scoring a test by other keys would change. */
export interface RescoringPreview {
  readonly attempts: number;
  /** Of those, whose points have been told. */
  readonly told: number;
  readonly questions: readonly RescoredQuestion[];
  readonly students: readonly RescoredStudent[];
  /** Questions for which it cannot be done. */
  readonly misfits: readonly { readonly ref: string; readonly why: Misfit }[];
}
