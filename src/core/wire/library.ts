import type { Content } from '../content/content';
import type { RawResponse } from '../content/response';
import type { DeliveredTest } from '../item/delivered';
import type { Step } from '../processing/trace';
import type { Problem } from '../xml/problem';

/** What the pages of the library are made of. */

/** What a package is, or would be once it is brought. */
export interface PackageReport {
  /** It can be brought: there is a test in it that can be given. */
  readonly ok: boolean;
  readonly identifier: string;
  /** Never here before, another version of what is here, here as it is, or here with a newer one: brought again it is the newest. */
  readonly standing: 'new' | 'newer' | 'here' | 'older';
  readonly items: number;
  readonly tests: readonly string[];
  readonly problems: readonly Problem[];
}
/** A test of a version in the library. */
export interface LibraryTest {
  readonly testId: number;
  readonly title: string;
  readonly language: string | null;
  readonly questions: number;
  /** Students it is given to who have not begun it, and attempts at it. */
  readonly given: number;
  readonly attempts: number;
}
/** A version of a package. */
export interface LibraryVersion {
  readonly packageId: number;
  readonly importedAt: number;
  readonly items: number;
  readonly tests: readonly LibraryTest[];
  readonly problems: readonly Problem[];
  /** Its files are kept, so that it can be written out again. */
  readonly hasSources: boolean;
  /** Nothing hangs on it, so that it may be taken out. */
  readonly unused: boolean;
}
/** A package in the library, the newest version first. */
export interface LibraryPackage {
  readonly identifier: string;
  readonly versions: readonly LibraryVersion[];
}
/** A question of a test, as the library lists it. */
export interface LibraryQuestion {
  /** Its reference in the test. */
  readonly ref: string;
  readonly title: string;
  /** Kinds of its interactions. */
  readonly kinds: readonly string[];
  readonly points: number | null;
  readonly scoredBy: 'machine' | 'person' | 'both';
}
/** A test of the library with its questions. */
export interface TestInLibrary extends LibraryTest {
  readonly importedAt: number;
  readonly list: readonly LibraryQuestion[];
}
/** A question as a student gets it, beside what is right. */
export interface QuestionInLibrary {
  readonly testId: number;
  readonly test: string;
  readonly question: LibraryQuestion;
  /** Which of its drawings this is, from 0; null where nothing of it is drawn. */
  readonly drawing: number | null;
  /** A test of this question alone. */
  readonly shown: DeliveredTest;
  readonly solution: Readonly<Record<string, RawResponse>>;
  readonly rubrics: readonly Content[];
  /** The questions before and after it in the test. */
  readonly before: string | null;
  readonly after: string | null;
}
/** What came of scoring an answer, rule by rule. */
export interface TriedAnswer {
  readonly steps: readonly Step[];
  readonly outcomes: readonly { readonly identifier: string; readonly value: string }[];
  readonly scoredBy: 'machine' | 'person' | 'both';
}
