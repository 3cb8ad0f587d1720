import type { Act, Role } from '../access/access';
import type { Content } from '../content/content';
import type { RawResponse } from '../content/response';
import type { DeliveredItem, DeliveredTest } from '../item/delivered';
import type { AssignmentOptions } from '../item/options';
import type { MarkingRule, PersonPoints, Trait } from '../marking/marking';
import type { AccessNeeds } from '../needs';
import type { Counts } from '../roster/plan';
import type { Step } from '../processing/trace';
import type { Points } from '../sitting/points';
import type { Misfit } from '../sitting/rescore';
import type { Agreement } from '../statistics/agreement';
import type { ItemStatistics, OptionStatistics, TestStatistics } from '../statistics/items';
import type { Problem } from '../xml/problem';

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

/** Somebody who has an account. */
export interface PersonHere {
  readonly id: number;
  readonly displayName: string;
  readonly signInName: string;
  readonly role: Role;
  readonly hasPassword: boolean;
  /** Made of the school's roster, which changes and ends it. */
  readonly ofRoster: boolean;
  readonly classes: readonly string[];
}
/** Where somebody is signed in. */
export interface OpenSession {
  /** What it is called here: nobody can sign in with it. */
  readonly id: string;
  readonly begunAt: number;
  /** When something was done in it last, to five minutes. */
  readonly seenAt: number;
  /** With a room's code, and not with a password. */
  readonly byRoom: boolean;
}
/** One person, as far as whoever looks may see them. */
export interface PersonPage {
  readonly id: number;
  readonly displayName: string;
  readonly signInName: string;
  readonly role: Role;
  readonly classes: readonly string[];
  /** Not here any more: cannot sign in. */
  readonly ended: boolean;
  /** What is set for a student; null of anybody else. */
  readonly needs: AccessNeeds | null;
  /** The student has chosen something in My view, which stands on top of it. */
  readonly choseThemselves: boolean;
  /** For who keeps people alone. */
  readonly kept: {
    readonly hasPassword: boolean;
    readonly mustChange: boolean;
    readonly ofRoster: boolean;
    /** It is whoever looks. */
    readonly self: boolean;
    readonly sessions: readonly OpenSession[];
  } | null;
}
/** What a file of needs asks for, and what of it this product does not do. */
export interface ReadNeeds {
  readonly needs: AccessNeeds;
  readonly notOurs: readonly string[];
}
/** What erasing somebody takes away, and what stays without their name. */
export interface WhatIsErased {
  readonly attempts: number;
  readonly assignments: number;
  /** Lines of the log of supervising that tell of them. */
  readonly supervision: number;
  /** Answers they have marked. */
  readonly marksGiven: number;
  /** An attempt of theirs is open on a computer: it has to end first. */
  readonly running: boolean;
}
/** What is handed to somebody so that they can sign in; shown once, and kept nowhere. */
export interface Slip {
  readonly userId: number;
  readonly displayName: string;
  readonly signInName: string;
  readonly password: string;
}
/** What bringing a roster did, or would do. */
export interface RosterReport {
  readonly ok: boolean;
  readonly add: Counts;
  readonly change: Counts;
  readonly end: Counts;
  readonly problems: readonly Problem[];
}

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
