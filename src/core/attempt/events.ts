import type { BrowserEvent } from '../wire/events';
import type { Form } from '../sitting/form';
import type { Stage } from '../sitting/stage';

/**
 * Everything that can happen in an attempt. Events are the truth: the state is what the reducer makes of them, in the order of
 * their time. Those of a browser are numbered from 1 per device (one opened page); those of the server have the device `server`.
 */
export type { BrowserEvent };

/** The device of what the server itself says; no browser is ever given this name. */
export const SERVER = 'server';

interface Stamp {
  readonly device: string;
  readonly seq: number;
  /** Milliseconds since 1970 by the server's clock. */
  readonly at: number;
}

/** What a student does that cannot be taken back, short of handing in. */
export type Move = 'next' | 'end-part';

/** What only the server says. */
export type ServerEvent = Stamp &
  (
    | {
        readonly type: 'begun';
        /** Milliseconds in all, extra time included; null = untimed. */
        readonly limit: number | null;
        /** What this attempt drew. Attempts begun before forms were kept have none; theirs is drawn again from the seed. */
        readonly form?: Form;
        /** Where it stands at its beginning, where the test has stages. */
        readonly stage?: Stage;
      }
    /** It stands somewhere else now: the student went on, ended a part, or a clock ended something. */
    | { readonly type: 'went-on'; readonly by: Move | 'time'; readonly stage: Stage }
    /** By the student in a page, or by whoever supervises: each lets go of what they hold. */
    | { readonly type: 'resumed'; readonly by: string; readonly proctor?: boolean }
    | {
        readonly type: 'stopped';
        /** `lost`: no sign of life; `moved`: another browser took over; `proctor`: whoever supervises holds it. */
        readonly reason: 'asked' | 'lost' | 'moved' | 'proctor';
        /** Whoever supervises, where they hold it (their name). */
        readonly by?: string;
        /** Milliseconds without a sign of life that were not counted; for whoever supervises. */
        readonly unseen?: number;
      }
    | {
        readonly type: 'checked';
        readonly item: string;
        readonly tries: number;
        /** No more tries. */
        readonly closed: boolean;
        /** The response of the button inside the question that asked for it. */
        readonly by?: string | null;
      }
    /** After a long pause: what was answered before it takes no changes until whoever supervises opens it. */
    | { readonly type: 'locked'; readonly items: readonly string[] }
    /** Opened again, by whom (their name). */
    | { readonly type: 'unlocked'; readonly by: string }
    /** Whoever supervises gives so many milliseconds more for the whole test. */
    | { readonly type: 'time-added'; readonly ms: number; readonly by: string }
    | {
        readonly type: 'handed-in';
        readonly reason: 'asked' | 'time' | 'proctor';
        /** Whoever supervises, where they ended it (their name). */
        readonly by?: string;
      }
  );

export type AttemptEvent = BrowserEvent | ServerEvent;
export type HighlightColour = NonNullable<Extract<BrowserEvent, { type: 'highlighted' }>['colour']>;

type WithoutStamp<E> = E extends unknown ? Omit<E, 'device' | 'seq' | 'at'> : never;
/** A browser event before it is numbered and dated. */
export type BrowserAction = WithoutStamp<BrowserEvent>;
/** A server event before it is numbered. */
export type ServerAction = WithoutStamp<ServerEvent>;

/** What the server says opens a moment, what closes it ends it; between them comes what the student does. */
const RANK: Partial<Record<AttemptEvent['type'], number>> = {
  begun: 0,
  resumed: 0,
  checked: 2,
  'went-on': 2,
  stopped: 3,
  'handed-in': 3,
};
/** Exactly at the end of a clock it is over. */
const rankOf = (event: AttemptEvent): number =>
  event.type === 'went-on' && event.by === 'time' ? 0 : (RANK[event.type] ?? 1);

/**
 * The one order of events, whichever way and however often they arrive: by time, within a moment as above, then by device and
 * number. Negative when `a` comes first; 0 only for the same event.
 */
export function compareEvents(a: AttemptEvent, b: AttemptEvent): number {
  return (
    a.at - b.at ||
    rankOf(a) - rankOf(b) ||
    (a.device < b.device ? -1 : a.device > b.device ? 1 : 0) ||
    a.seq - b.seq
  );
}
