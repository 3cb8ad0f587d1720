/** Milliseconds. */
export type Millis = number;

/** The clock of an attempt: time counts only while it is open in a browser. */
export interface Timing {
  /** Allowed in all, extra time included; null = untimed. */
  readonly limit: Millis | null;
  /** Counted before the present stretch. */
  readonly used: Millis;
  /** When the present stretch began, by the server's clock; null while it does not run. */
  readonly runningSince: Millis | null;
}

/** Answers given this little after the end still count: they were on their way. */
export const GRACE: Millis = 2_000;

/** Time used up to a moment. */
export function usedAt(timing: Timing, now: Millis): Millis {
  return timing.used + (timing.runningSince === null ? 0 : Math.max(0, now - timing.runningSince));
}

/** Time left at a moment, never below 0; null = untimed. */
export function leftAt(timing: Timing, now: Millis): Millis | null {
  return timing.limit === null ? null : Math.max(0, timing.limit - usedAt(timing, now));
}

/** Whether the time was over at a moment, `grace` allowed. */
export function isOver(timing: Timing, now: Millis, grace: Millis = 0): boolean {
  return timing.limit !== null && usedAt(timing, now) > timing.limit + grace;
}

/**
 * How the time left is shown: calm, then outlined at 10 minutes, filled at 5 (work.md C1: common practice). What has no more than ten
 * minutes from the beginning is calm until its last minute.
 */
export type TimeTone = 'calm' | 'ten' | 'five' | 'one';
export function toneOf(left: Millis, maximum: Millis = Infinity): TimeTone {
  const minutes = left / 60_000;
  if (maximum <= 10 * 60_000) return minutes <= 1 ? 'one' : 'calm';
  return minutes <= 5 ? 'five' : minutes <= 10 ? 'ten' : 'calm';
}

/** Whole minutes left, rounded up so that "1 min" is shown until the end; seconds only under a minute. */
export function wordsOf(left: Millis): { readonly unit: 'minutes' | 'seconds'; readonly count: number } {
  return left < 60_000
    ? { unit: 'seconds', count: Math.ceil(left / 1000) }
    : { unit: 'minutes', count: Math.ceil(left / 60_000) };
}

/** The limit of a test in milliseconds with a student's extra-time factor. */
export function limitWith(seconds: number | null, timeMultiplier: number): Millis | null {
  return seconds === null ? null : Math.round(seconds * 1000 * timeMultiplier);
}
