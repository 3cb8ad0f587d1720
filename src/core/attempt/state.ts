import type { Range } from '../annotate/ranges';
import type { RawResponse } from '../content/response';
import { own } from '../own';
import type { Form } from '../sitting/form';
import type { Stage } from '../sitting/stage';
import type { HighlightColour } from './events';
import type { Millis, Timing } from './timing';

export type Responses = Readonly<Record<string, RawResponse>>;

export interface Highlight extends Range<HighlightColour> {
  readonly exact: string;
}

/** One question of an attempt. */
export interface ItemState {
  readonly responses: Responses;
  readonly past: readonly Responses[];
  readonly future: readonly Responses[];
  /** The response being typed into, so that a word is one step of undo and not one per letter. */
  readonly typing: { readonly response: string; readonly at: Millis } | null;
  readonly opened: boolean;
  readonly flagged: boolean;
  readonly seen: readonly string[];
  readonly reminded: boolean;
  /** How often the answer was checked on the way, and whether it takes no more changes. */
  readonly tries: number;
  readonly closed: boolean;
  /** Choices struck out, per response. */
  readonly struck: Readonly<Record<string, readonly string[]>>;
}

/** Who keeps an attempt from running: the student who stopped it, whoever supervises, or the loss of its page. */
export const HOLDERS = ['student', 'proctor', 'lost'] as const;
export type Holder = (typeof HOLDERS)[number];

/** Questions answered before a long pause: closed until whoever supervises opens them. */
export interface Locked {
  readonly since: Millis;
  readonly items: readonly string[];
}

/** How a test that has the screen for itself was left: hidden, behind another window, or no longer the whole screen; and when. */
export interface Away {
  readonly how: 'hidden' | 'behind' | 'windowed';
  readonly since: Millis;
}

export interface AttemptState {
  /** What this attempt drew; null before it has begun, and of attempts begun before forms were kept. */
  readonly form: Form | null;
  readonly phase: 'not-started' | 'running' | 'stopped' | 'handed-in';
  /** The clock runs while nobody holds it. */
  readonly holds: readonly Holder[];
  readonly timing: Timing;
  /** Where it stands by the rules of its test; null where all of it is open until it is handed in. */
  readonly stage: Stage | null;
  /** Milliseconds on the screen, of an attempt that has stages: of questions by reference, of parts by `partKey`. */
  readonly spent: Readonly<Record<string, Millis>>;
  /** Milliseconds that whoever supervises has added: in all (`WHOLE_TEST`), and to the question and the part its student was in, named as in `spent`. */
  readonly added: Readonly<Record<string, Millis>>;
  /** Up to when `spent` is counted. */
  readonly countedTo: Millis | null;
  /** Questions that take no changes since a long pause, and from when on; null where none are locked. */
  readonly locked: Locked | null;
  /** While it is left, or until its student is told that it was; null else. */
  readonly away: Away | null;
  readonly current: string | null;
  readonly items: Readonly<Record<string, ItemState>>;
  /** Per text: `item:REF` or `stimulus:ID`. */
  readonly highlights: Readonly<Record<string, readonly Highlight[]>>;
  readonly tools: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
}

export const NEW_ITEM: ItemState = {
  responses: {},
  past: [],
  future: [],
  typing: null,
  opened: false,
  flagged: false,
  seen: [],
  reminded: false,
  tries: 0,
  closed: false,
  struck: {},
};

export const NEW_ATTEMPT: AttemptState = {
  form: null,
  phase: 'not-started',
  holds: [],
  timing: { limit: null, used: 0, runningSince: null },
  stage: null,
  spent: {},
  added: {},
  countedTo: null,
  locked: null,
  away: null,
  current: null,
  items: {},
  highlights: {},
  tools: {},
};

/** What the whole test is called among the times added: no question is called so. */
export const WHOLE_TEST = 'whole test';

/** What a part is called among the times spent: no question is called so. */
export const partKey = (part: string): string => `part ${part}`;

/** Whether a question is locked after a long pause. */
export const isLocked = ({ locked }: AttemptState, ref: string): boolean =>
  locked?.items.includes(ref) ?? false;

/** Whether a question takes no changes now: no try is left, what it stands in is not open any more, or it is locked. */
export const isClosed = (state: AttemptState, ref: string): boolean =>
  itemOf(state, ref).closed ||
  isLocked(state, ref) ||
  (state.stage !== null && !state.stage.open.includes(ref));

/** A question's state; the empty one when nothing has happened to it. */
export const itemOf = (state: AttemptState, ref: string): ItemState => own(state.items, ref) ?? NEW_ITEM;
