import { z } from 'zod';

/**
 * Everything that can happen in an attempt. Events are the truth: the state is what the reducer makes of them. Those of
 * a browser are numbered from 1 per device (one opened page); those of the server have the device `server`.
 */
const rawResponse = z.union([
  z.null(),
  z.string().max(3_000_000),
  z.array(z.string().max(1_000_000)).max(2_000).readonly(),
  z.record(z.string().max(200), z.union([z.string().max(20_000), z.null()])).readonly(),
]);
const name = z.string().min(1).max(200);

/** Milliseconds since 1970 by the server's clock, as well as the browser could tell. */
const at = z.number().int().nonnegative();
const stamp = { device: name, seq: z.number().int().positive(), at };

const answered = z.object({
  ...stamp,
  type: z.literal('answered'),
  item: name,
  /** The responses that change, with their new values. */
  responses: z.record(name, rawResponse),
  /** `happened`: no answer but a fact (a sound was played); it is not undone. */
  how: z.enum(['edit', 'typing', 'happened', 'undo', 'redo', 'start-over']),
});
const opened = z.object({ ...stamp, type: z.literal('opened'), item: name });
const flagged = z.object({ ...stamp, type: z.literal('flagged'), item: name, on: z.boolean() });
/** Choices and parts that have been on screen. */
const seen = z.object({ ...stamp, type: z.literal('seen'), item: name, units: z.array(name).max(500) });
/** The gentle stop about something never seen was shown once. */
const reminded = z.object({ ...stamp, type: z.literal('reminded'), item: name });
const struck = z.object({
  ...stamp,
  type: z.literal('struck'),
  item: name,
  response: name,
  choice: name,
  on: z.boolean(),
});
const highlighted = z.object({
  ...stamp,
  type: z.literal('highlighted'),
  /** Which text: `item:REF` or `stimulus:ID`. */
  text: name,
  start: z.number().int().nonnegative(),
  end: z.number().int().nonnegative(),
  /** The words themselves, to find the place again (W3C Web Annotation, TextQuoteSelector). */
  exact: z.string().max(20_000),
  /** null takes highlighting away from the range. */
  colour: z.enum(['marigold', 'kelp', 'heather']).nullable(),
});
const highlightsCleared = z.object({
  ...stamp,
  type: z.literal('highlights-cleared'),
  text: name.nullable(),
});
/** What a tool keeps: small, its own business; checked by the tool when it reads it back. */
const toolKept = z.object({
  ...stamp,
  type: z.literal('tool-kept'),
  tool: name,
  state: z.record(z.string(), z.unknown()),
});

const begun = z.object({ ...stamp, type: z.literal('begun'), limit: z.number().int().positive().nullable() });
const resumed = z.object({ ...stamp, type: z.literal('resumed'), by: name });
const stopped = z.object({
  ...stamp,
  type: z.literal('stopped'),
  reason: z.enum(['asked', 'lost', 'moved']),
});
/** The answer to a question was checked; `closed`: no more tries. */
const checked = z.object({
  ...stamp,
  type: z.literal('checked'),
  item: name,
  tries: z.number().int().positive(),
  closed: z.boolean(),
});
const handedIn = z.object({ ...stamp, type: z.literal('handed-in'), reason: z.enum(['asked', 'time']) });

/** What a browser may send. */
export const browserEvent = z.discriminatedUnion('type', [
  answered,
  opened,
  flagged,
  seen,
  reminded,
  struck,
  highlighted,
  highlightsCleared,
  toolKept,
]);
/** What only the server says. */
export const serverEvent = z.discriminatedUnion('type', [begun, resumed, stopped, checked, handedIn]);
export const attemptEvent = z.union([browserEvent, serverEvent]);

export type BrowserEvent = z.infer<typeof browserEvent>;
export type ServerEvent = z.infer<typeof serverEvent>;
export type AttemptEvent = BrowserEvent | ServerEvent;
export type HighlightColour = NonNullable<Extract<BrowserEvent, { type: 'highlighted' }>['colour']>;

type WithoutStamp<E> = E extends unknown ? Omit<E, 'device' | 'seq' | 'at'> : never;
/** A browser event before it is numbered and dated. */
export type BrowserAction = WithoutStamp<BrowserEvent>;
/** A server event before it is numbered. */
export type ServerAction = WithoutStamp<ServerEvent>;

/** A batch on its way to the server. */
export const batch = z.object({
  device: name,
  events: z.array(browserEvent).max(500),
  /** Up to which server event of this attempt the browser knows. */
  cursor: z.number().int().nonnegative(),
});
export type Batch = z.infer<typeof batch>;
