import type { ItemScore } from '../processing/score';
import type { RawResponse } from '../content/response';
import type { Value } from '../content/value';
import type { Place, Plan } from './plan';

/** One question of a sitting. */
export interface QuestionState {
  readonly responses: ReadonlyMap<string, RawResponse>;
  /** Given, changed or taken back since it was last scored. */
  readonly changed: boolean;
  readonly shown: boolean;
  /** Attempts at it that have ended: checks, and the last scoring. */
  readonly attempts: number;
  /** An adaptive item that says it is complete. */
  readonly completed: boolean;
  /** It takes no more answers: passed in a linear part, or its clock (or its section's) ended. */
  readonly ended: 'passed' | 'time' | null;
  /** Something of it was given after a maximum that allows that. */
  readonly late: boolean;
  readonly score: Pick<ItemScore, 'outcomes' | 'responses' | 'correct'> | null;
  /** What the test's template defaults were when it was first shown. */
  readonly templateDefaults: Readonly<Record<string, Value>>;
}
export const NEW_QUESTION: QuestionState = {
  responses: new Map(),
  changed: false,
  shown: false,
  attempts: 0,
  completed: false,
  ended: null,
  late: false,
  score: null,
  templateDefaults: {},
};

/** Whether its clock, or that of a section around it, ended a question. */
export const isTimedOut = (
  { questions, closedSections }: Readonly<Pick<SittingState, 'questions' | 'closedSections'>>,
  { ref, sections }: Pick<Place, 'ref' | 'sections'>,
): boolean => questions.get(ref)?.ended === 'time' || sections.some(({ key }) => closedSections.has(key));

/** Where a sitting stands. Milliseconds of time used; a refused step leaves all of it as it was. */
export interface SittingState {
  phase: 'running' | 'stopped' | 'handed-in';
  /** The open part, from 0; the number of parts when the last has ended. */
  part: number;
  /** The question of the open part that one is at; null where none is to be seen any more. */
  at: string | null;
  /** A question of an ended part that is being looked at again instead. */
  looking: string | null;
  questions: Map<string, QuestionState>;
  /** Sections (by key) whose pre-conditions held when they were reached. */
  entered: Set<string>;
  /** Sections (by key) that their clock ended. */
  closedSections: Set<string>;
  /** Questions that rules left out: they can no longer be shown. */
  leftOut: Set<string>;
  closedParts: string[];
  /** In the order first shown. */
  route: string[];
  usedTest: number;
  /** Milliseconds that whoever supervises has added: for the whole test, and for what the student was in when they did. */
  addedTest: number;
  addedParts: Map<string, number>;
  addedSections: Map<string, number>;
  addedQuestions: Map<string, number>;
  usedParts: Map<string, number>;
  usedSections: Map<string, number>;
  usedQuestions: Map<string, number>;
  outcomes: Readonly<Record<string, Value>>;
  /** `atEnd` feedback seen. */
  testFeedback: string[];
}

/** A copy that can be changed without changing the first. */
export function copyOf(state: SittingState): SittingState {
  return {
    ...state,
    questions: new Map(state.questions),
    entered: new Set(state.entered),
    closedSections: new Set(state.closedSections),
    leftOut: new Set(state.leftOut),
    closedParts: [...state.closedParts],
    route: [...state.route],
    usedParts: new Map(state.usedParts),
    usedSections: new Map(state.usedSections),
    usedQuestions: new Map(state.usedQuestions),
    addedParts: new Map(state.addedParts),
    addedSections: new Map(state.addedSections),
    addedQuestions: new Map(state.addedQuestions),
    testFeedback: [...state.testFeedback],
  };
}

/** A sitting before its first part is entered. */
export const beginning = (plan: Plan): SittingState => ({
  phase: 'running',
  part: -1,
  at: null,
  looking: null,
  questions: new Map(plan.places.map(({ ref }) => [ref, NEW_QUESTION])),
  entered: new Set(),
  closedSections: new Set(),
  leftOut: new Set(),
  closedParts: [],
  route: [],
  usedTest: 0,
  addedTest: 0,
  usedParts: new Map(),
  usedSections: new Map(),
  usedQuestions: new Map(),
  addedParts: new Map(),
  addedSections: new Map(),
  addedQuestions: new Map(),
  outcomes: {},
  testFeedback: [],
});
