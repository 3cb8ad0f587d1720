import * as z from 'zod/mini';

/**
 * What a browser may say happened in an attempt, and how it travels. The first border: shape and size. Whether it may be said of
 * this attempt is asked of its own form (attempt/may.ts, and `isOfForm` in server/delivery/delivery.ts).
 */
const text = (longest: number) => z.string().check(z.maxLength(longest));
const name = z.string().check(z.minLength(1), z.maxLength(200));
export const rawResponse = z.union([
  z.null(),
  text(3_000_000),
  z.readonly(z.array(text(1_000_000)).check(z.maxLength(2_000))),
  z.readonly(z.record(text(200), z.union([text(20_000), z.null()]))),
]);

/** Events one attempt of one device may have: far more than a day of writing makes. */
export const MAX_SEQ = 1_000_000;
const whole = z.number().check(z.int(), z.nonnegative());
const seq = z.number().check(z.int(), z.positive(), z.maximum(MAX_SEQ));
/** Device, number from 1, and milliseconds since 1970 by the server's clock, as well as the browser could tell. */
const stamp = { device: name, seq, at: whole };

const answered = z.object({
  ...stamp,
  type: z.literal('answered'),
  item: name,
  /** The responses that change, with their new values. */
  responses: z.record(name, rawResponse),
  /**
   * `typing`: part of a text being written; `moving`: goes on with the gesture whose first change was an `edit` (a handle being
   * dragged, a key held down); `happened`: no answer but a fact (a sound was played), it is not undone.
   */
  how: z.enum(['edit', 'typing', 'moving', 'happened', 'undo', 'redo', 'start-over']),
});
const opened = z.object({ ...stamp, type: z.literal('opened'), item: name });
const flagged = z.object({ ...stamp, type: z.literal('flagged'), item: name, on: z.boolean() });
/** Choices and parts that have been on screen. */
const seen = z.object({
  ...stamp,
  type: z.literal('seen'),
  item: name,
  units: z.array(name).check(z.maxLength(500)),
});
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
  start: whole,
  end: whole,
  /** The words themselves, to find the place again (W3C Web Annotation, TextQuoteSelector). */
  exact: text(100_000),
  /** null takes highlighting away from the range. */
  colour: z.nullable(z.enum(['marigold', 'kelp', 'heather', 'surf'])),
});
const highlightsCleared = z.object({
  ...stamp,
  type: z.literal('highlights-cleared'),
  text: z.nullable(name),
});
/** Letters of JSON that a tool may keep in one event. */
const MAX_TOOL_STATE = 20_000;
/** What a tool keeps: small, its own business; checked by the tool when it reads it back. */
const toolKept = z.object({
  ...stamp,
  type: z.literal('tool-kept'),
  tool: name,
  state: z
    .record(text(200), z.unknown())
    .check(z.refine((state) => JSON.stringify(state).length <= MAX_TOOL_STATE)),
});

/** The page was left while the test has the screen for itself: covered or minimised, not in front, or no longer the whole screen. */
const left = z.object({ ...stamp, type: z.literal('left'), how: z.enum(['hidden', 'behind', 'windowed']) });
const returned = z.object({
  ...stamp,
  type: z.literal('returned'),
  /** It was not left: the page was loaded again. */
  reloaded: z.optional(z.boolean()),
});
/** The computer runs on a battery that is nearly empty; or does not any more. */
const battery = z.object({ ...stamp, type: z.literal('battery'), low: z.boolean() });

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
  left,
  returned,
  battery,
]);
export type BrowserEvent = z.infer<typeof browserEvent>;

/** Events one batch holds at most. */
export const MAX_BATCH = 500;
/** A batch on its way to the server. */
export const batch = z.object({
  device: name,
  events: z.array(browserEvent).check(z.maxLength(MAX_BATCH)),
  /** Up to which event of this attempt the browser knows what others said. */
  cursor: whole,
});
export type Batch = z.infer<typeof batch>;
