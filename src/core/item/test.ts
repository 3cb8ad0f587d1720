import type { Expression, Rule } from './program';
import type { Content } from '../content/content';
import type { Declaration, OutcomeDeclaration } from '../content/declarations';
import type { RubricBlock } from './item';

/** `qti-item-session-control`; what is not said is inherited, then the standard's default. */
export interface ItemSessionControl {
  /** Checks allowed; 0 = any number. */
  readonly maxAttempts: number;
  readonly showFeedback: boolean;
  readonly allowReview: boolean;
  readonly showSolution: boolean;
  readonly allowSkipping: boolean;
  readonly validateResponses: boolean;
}
export const DEFAULT_SESSION_CONTROL: ItemSessionControl = {
  maxAttempts: 1,
  showFeedback: false,
  allowReview: true,
  showSolution: false,
  allowSkipping: true,
  validateResponses: false,
};

/** Seconds; null = none. */
export interface TimeLimits {
  readonly minimum: number | null;
  readonly maximum: number | null;
  /** Whether answers given after the maximum are taken and count, marked late. */
  readonly allowLateSubmission: boolean;
}
export const NO_LIMITS: TimeLimits = { minimum: null, maximum: null, allowLateSubmission: false };

/** A maximum in milliseconds, a student's extra-time factor in it; null = none. */
export const maximumOf = ({ maximum }: TimeLimits, timeMultiplier: number): number | null =>
  maximum === null ? null : Math.round(maximum * 1000 * timeMultiplier);

/** Where to go when a rule is true: an identifier further on, or one of the standard's ways out. */
export interface BranchRule {
  readonly target: string;
  readonly expression: Expression;
}
/** What decides whether something is entered, and where one goes from it (linear parts; those of parts always). */
export interface Ruled {
  readonly preConditions: readonly Expression[];
  readonly branchRules: readonly BranchRule[];
}

export interface ItemRef extends Ruled {
  readonly kind: 'item';
  /** Identifier of the reference in the test. */
  readonly identifier: string;
  /** Identifier of the item itself. */
  readonly item: string;
  readonly categories: readonly string[];
  readonly weights: Readonly<Record<string, number>>;
  /** `qti-variable-mapping`: the name the test uses → the name in the item. */
  readonly variableNames: Readonly<Record<string, string>>;
  /** `qti-template-default`: values of template variables that the test sets. */
  readonly templateDefaults: readonly { readonly identifier: string; readonly expression: Expression }[];
  readonly required: boolean;
  readonly fixed: boolean;
  readonly timeLimits: TimeLimits;
  readonly sessionControl: ItemSessionControl;
  /** Ids of tools that the test, its part or a section around it takes away. */
  readonly toolsOff: readonly string[];
}
export interface Section extends Ruled {
  readonly kind: 'section';
  readonly identifier: string;
  readonly title: string;
  readonly visible: boolean;
  readonly keepTogether: boolean;
  readonly required: boolean;
  readonly fixed: boolean;
  readonly rubrics: readonly RubricBlock[];
  readonly timeLimits: TimeLimits;
  /** How many children are drawn, with or without replacement; null = all. */
  readonly selection: { readonly select: number; readonly withReplacement: boolean } | null;
  readonly shuffle: boolean;
  readonly children: readonly (Section | ItemRef)[];
}
/** Shown when an outcome of the test holds the identifier (or, with `show: false`, when it does not). */
export interface TestFeedback {
  readonly access: 'during' | 'atEnd';
  readonly outcome: string;
  readonly identifier: string;
  readonly show: boolean;
  readonly title: string;
  readonly content: Content;
}
export interface TestPart extends Ruled {
  readonly identifier: string;
  readonly title: string;
  readonly navigation: 'linear' | 'nonlinear';
  readonly submission: 'individual' | 'simultaneous';
  readonly timeLimits: TimeLimits;
  readonly rubrics: readonly RubricBlock[];
  readonly sections: readonly Section[];
  readonly feedback: readonly TestFeedback[];
}
export interface Test {
  readonly identifier: string;
  readonly title: string;
  readonly language: string | null;
  /** What wrote the file, for whoever reads it again. */
  readonly tool: { readonly name: string | null; readonly version: string | null };
  readonly timeLimits: TimeLimits;
  readonly outcomes: readonly OutcomeDeclaration[];
  readonly contexts: readonly Declaration[];
  readonly parts: readonly TestPart[];
  readonly rubrics: readonly RubricBlock[];
  readonly outcomeProcessing: readonly Rule[];
  readonly feedback: readonly TestFeedback[];
}

/** The points that are needed, where the test says so (QTI 3.0, `mastery-value` of its `SCORE`); null where it does not. */
export const neededScoreOf = ({ outcomes }: Pick<Test, 'outcomes'>): number | null =>
  outcomes.find(({ identifier }) => identifier === 'SCORE')?.masteryValue ?? null;

/** The item references of a section, in order. */
export const itemRefsIn = (section: Section): ItemRef[] =>
  section.children.flatMap((child) => (child.kind === 'item' ? [child] : itemRefsIn(child)));

/** All item references of a test, in order. */
export function itemRefsOf(test: { readonly parts: readonly Pick<TestPart, 'sections'>[] }): ItemRef[] {
  return test.parts.flatMap((part) => part.sections.flatMap(itemRefsIn));
}

const forCandidate = (rubrics: readonly RubricBlock[]): Content =>
  rubrics.filter((rubric) => rubric.views.includes('candidate')).flatMap((rubric) => [...rubric.content]);

/** The directions a student reads before the test, or before one of its parts or sections: rubric blocks for the candidate. */
export const directionsOf = (of: { readonly rubrics: readonly RubricBlock[] }): Content =>
  forCandidate(of.rubrics);

/**
 * Seconds a student has for the whole test, without extra time; null = untimed. A limit of the test itself, else that of its only
 * part: then both mean the same.
 */
export const timeLimitOf = ({ timeLimits, parts }: Pick<Test, 'timeLimits' | 'parts'>): number | null =>
  timeLimits.maximum ?? (parts.length === 1 ? (parts[0]?.timeLimits.maximum ?? null) : null);
