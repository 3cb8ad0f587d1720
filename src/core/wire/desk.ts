import type { Act } from '../access/access';
import type { AssignmentOptions } from '../item/options';
import type { AccessNeeds } from '../needs';
import type { Points } from '../sitting/points';

/** What the adults' pages are made of: the server makes it, the pages show it. */

/** Whose page it is: their name, what they may do, and how they see. */
export interface DeskUser {
  readonly name: string;
  readonly acts: readonly Act[];
  readonly needs: AccessNeeds;
}

/** Answers to one question that nothing proves to have been given in time: kept, not counted, for a person to decide. */
export interface LateAnswer {
  readonly ref: string;
  /** From 1, in the order of the form. */
  readonly number: number;
  /** When the last of them was given by its computer's clock, and when it arrived; milliseconds since 1970. */
  readonly saidAt: number;
  readonly receivedAt: number;
  /** False in a part without a way back: the student was led on without it. */
  readonly mayCount: boolean;
}
/** How a student stands in a test, and what they need of whoever supervises. */
export interface ClassRow {
  readonly assignmentId: number;
  readonly attemptId: string | null;
  readonly student: string;
  readonly test: string;
  readonly state: 'not-started' | 'running' | 'stopped' | 'handed-in';
  /** Null until it is handed in. */
  readonly points: Points | null;
  /** The student can begin, or come in, only once let in. */
  readonly waits: boolean;
  /** So many computers ask to come in under this name with a room's code. */
  readonly asks: number;
  /** Questions locked after a long pause. */
  readonly locked: number;
  /** Paused by whoever supervises; `asked`: its page has not heard of it yet. */
  readonly held: 'asked' | 'held' | null;
  /** Answers that came late and wait for a decision. */
  readonly late: readonly LateAnswer[];
  /** How often the test was left while it has the screen for itself. */
  readonly timesLeft: number;
  readonly lowBattery: boolean;
  /** Of an attempt that is open: questions answered, of how many, and which one is on the screen (from 1). Null of any other. */
  readonly progress: { readonly answered: number; readonly of: number; readonly at: number | null } | null;
  /** Milliseconds left of the whole test; null where it has no limit, or is not open. */
  readonly left: number | null;
  /** Milliseconds of the whole test in all, extra time in it; null where it has no limit, or is not open. */
  readonly limit: number | null;
  /** A clock could end what the student is at, so that more time can be given. */
  readonly timed: boolean;
  /** Whoever supervises wants it ended, and its page has not heard of it. */
  readonly ending: boolean;
  /** It is to go on at another computer, and its page has not heard of it. */
  readonly moving: boolean;
  /** Milliseconds without a sign of life, of a test that is open on a computer; null of any other. */
  readonly silentFor: number | null;
}

/** What is new of the students somebody supervises, since they were told last. */
export interface LiveNews {
  readonly changed: readonly ClassRow[];
  /** Assignments that are not theirs to see any more. */
  readonly gone: readonly number[];
  /** Something beside them has changed (rooms, who must wait): the page is to be looked at again. */
  readonly look: boolean;
}

/** What is written down of supervising. */
export type SupervisionDone =
  | 'let-in'
  | 'held'
  | 'released'
  | 'unlocked'
  | 'time-added'
  | 'ended'
  | 'moved'
  | 'late-counted'
  | 'late-left-out'
  | 'room-opened'
  | 'room-closed'
  | 'wait-lifted'
  | 'needs-set'
  | 'signed-out';
/** A line of it. */
export interface DoneRow {
  readonly id: number;
  readonly at: number;
  readonly by: string;
  readonly student: string | null;
  readonly test: string | null;
  readonly done: SupervisionDone;
  /** Minutes, a code, a question. */
  readonly detail: string;
  readonly reason: string;
}

/** A student, by the name that is shown. */
export interface Student {
  readonly id: number;
  readonly name: string;
}
/** A class, with the students in it. */
export interface SchoolClass {
  readonly id: number;
  readonly title: string;
  readonly students: readonly number[];
}
/** A test that can be given. */
export interface GivableTest {
  readonly testId: number;
  readonly title: string;
  /** When its version came into the library; milliseconds since 1970. */
  readonly importedAt: number;
}
/** From when to when a test can be started, in milliseconds since 1970; null = no such bound. */
export interface GivenTimes {
  readonly opensAt: number | null;
  readonly closesAt: number | null;
}
/** A test as it is given to one student. */
export interface Given extends GivenTimes {
  readonly assignmentId: number;
  readonly testId: number;
  readonly test: string;
  readonly studentId: number;
  readonly student: string;
  readonly options: AssignmentOptions;
  readonly begun: boolean;
}
/**
 * To how many students a test was given anew, and for how many it was changed; of those who have begun only what comes after taking it
 * was.
 */
export interface GivenTo {
  readonly added: number;
  readonly changed: number;
  readonly begun: number;
}
