import type { AttemptState } from './state';
import type { Millis, Timing } from './timing';

/** What came within this of the end was on its way when it ended. */
export const ARRIVAL_GRACE: Millis = 5_000;

/** When an event reached the server, and how the attempt stood then. */
export interface Arrival {
  /** What the browser says. */
  readonly at: Millis;
  readonly receivedAt: Millis;
  readonly phase: AttemptState['phase'];
  readonly timing: Timing;
  /** When it was last stopped or handed in; null while it never was. */
  readonly pausedAt: Millis | null;
  /** Whether one of the same page with a higher number was here before the end: then this one was given before it too. */
  readonly followed: boolean;
}

/** When writing ended: at the stop or the hand-in, or when the time ran out; null while it goes on. */
export function endOf({
  phase,
  timing,
  pausedAt,
}: Pick<Arrival, 'phase' | 'timing' | 'pausedAt'>): Millis | null {
  if (phase === 'stopped' || phase === 'handed-in') return pausedAt;
  const { limit, used, runningSince } = timing;
  return limit === null || runningSince === null ? null : runningSince + Math.max(0, limit - used);
}

/**
 * Whether an event counts. A browser's own clock proves nothing: what arrives after the end counts only when the numbers of its
 * page prove that it was given before, or when it was on its way. Everything else is kept and a person decides.
 */
export function standingOf(arrival: Arrival): 'counts' | 'late' {
  const end = endOf(arrival);
  if (end === null || arrival.receivedAt <= end) return 'counts';
  if (arrival.at > end + ARRIVAL_GRACE) return 'late';
  return arrival.followed || arrival.receivedAt <= end + ARRIVAL_GRACE ? 'counts' : 'late';
}
