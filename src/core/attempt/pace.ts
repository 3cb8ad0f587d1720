import type { Millis } from './timing';

/** How a student stands in a timed test. */
export interface Standing {
  readonly answered: number;
  readonly of: number;
  /** Of the test's time: in all, and used so far. */
  readonly limit: Millis;
  readonly used: Millis;
}

/** Questions that would be answered by now, were the time spread evenly over them. */
export const evenShare = ({ of, limit, used }: Standing): number =>
  limit <= 0 ? of : Math.min(of, (of * used) / limit);

/** So far behind an even share is told: a tenth of the test (common practice, no source). */
const BEHIND = 0.1;

/** Whether somebody has answered clearly less than an even share of the time would have it. */
export const isBehind = (one: Standing): boolean => evenShare(one) - one.answered > one.of * BEHIND;
