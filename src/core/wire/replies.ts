import * as z from 'zod/mini';
import type { AttemptEvent } from '../attempt/events';
import type { AttemptState } from '../attempt/state';

/** What the server answers during an attempt. Checked where it arrives: a proxy's error page is no answer. */
const whole = z.number().check(z.int());
const phase = z.enum(['not-started', 'running', 'stopped', 'handed-in']);

export const resumedReply = z.object({
  /** What this page is called from now on: a name the server made, which nobody can guess. */
  device: z.string(),
  state: z.custom<AttemptState>((value) => typeof value === 'object' && value !== null && 'phase' in value),
  cursor: whole,
  serverNow: whole,
});
export type Resumed = z.infer<typeof resumedReply>;

/** The clock has started of a test that was fetched before, and it is open in the page that asked. */
export const startedReply = z.extend(resumedReply, {
  /** What was sent sealed is opened with it: AES-256, in base64. */
  key: z.string(),
});
export type Started = z.infer<typeof startedReply>;

export const savedReply = z.object({
  /** The browser may forget its events up to this number. */
  acknowledged: whole,
  serverNow: whole,
  /** Where the next request goes on from: as far as `others` goes. */
  cursor: whole,
  /** What others said since the browser's cursor; cut where the reply would grow too large. */
  others: z.readonly(
    z.array(
      z.custom<AttemptEvent>((value) => typeof value === 'object' && value !== null && 'type' in value),
    ),
  ),
  /** Another browser has the attempt now; what came is kept all the same. */
  moved: z.boolean(),
  phase,
});
export type Saved = z.infer<typeof savedReply>;
