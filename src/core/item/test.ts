import type { Rule } from '../processing/program';
import type { Content } from './content';
import type { OutcomeDeclaration } from './declarations';
import type { RubricBlock } from './item';

/** `qti-item-session-control`; what is not said is inherited, then the standard's default. */
export interface ItemSessionControl {
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
}

export interface ItemRef {
  readonly kind: 'item';
  /** Identifier of the reference in the test. */
  readonly identifier: string;
  /** Identifier of the item itself. */
  readonly item: string;
  readonly categories: readonly string[];
  readonly weights: Readonly<Record<string, number>>;
  readonly required: boolean;
  readonly fixed: boolean;
  readonly timeLimits: TimeLimits;
  readonly sessionControl: ItemSessionControl;
}
export interface Section {
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
export interface TestPart {
  readonly identifier: string;
  readonly title: string;
  readonly navigation: 'linear' | 'nonlinear';
  readonly submission: 'individual' | 'simultaneous';
  readonly timeLimits: TimeLimits;
  readonly sections: readonly Section[];
}
export interface Test {
  readonly identifier: string;
  readonly title: string;
  readonly timeLimits: TimeLimits;
  readonly outcomes: readonly OutcomeDeclaration[];
  readonly parts: readonly TestPart[];
  readonly rubrics: readonly RubricBlock[];
  readonly outcomeProcessing: readonly Rule[];
}

/** All item references of a test, in order. */
export function itemRefsOf(test: Pick<Test, 'parts'>): ItemRef[] {
  const inside = (section: Section): ItemRef[] =>
    section.children.flatMap((child) => (child.kind === 'item' ? [child] : inside(child)));
  return test.parts.flatMap((part) => part.sections.flatMap(inside));
}

/** The directions a student reads before the test: rubric blocks for the candidate at test level. */
export const directionsOf = (test: Test): Content =>
  test.rubrics
    .filter((rubric) => rubric.views.includes('candidate'))
    .flatMap((rubric) => [...rubric.content]);
