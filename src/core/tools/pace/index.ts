import type { Millis } from '../../attempt/timing';

/** A steady pace: the time there is, shared evenly among the questions (work.md, C3: common practice). */
export interface Pace {
  /** Milliseconds a question, were all alike. */
  readonly share: Millis;
  /** The question an even pace is at by now, from 1. */
  readonly at: number;
  /** Questions done more than an even pace has finished by now; negative = fewer. */
  readonly ahead: number;
}

/**
 * Where an even pace is by now.
 * @param used and @param limit milliseconds, extra time included
 * @param done questions that are finished, of `questions`
 * @returns null where there is nothing to share
 */
export function paceOf(
  used: Millis,
  limit: Millis,
  { questions, done }: { readonly questions: number; readonly done: number },
): Pace | null {
  if (questions <= 0 || limit <= 0) return null;
  const share = limit / questions;
  const finished = Math.min(questions, Math.floor(Math.max(0, used) / share));
  return { share, at: Math.min(questions, finished + 1), ahead: done - finished };
}
