import type { Role } from '../access/access';
import type { AccessNeeds } from '../needs';
import type { Counts } from '../roster/plan';
import type { Problem } from '../xml/problem';

/** What the pages of people are made of. */

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
