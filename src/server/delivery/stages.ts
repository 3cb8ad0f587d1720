import type { Move } from '@/core/attempt/events';
import { isOver } from '@/core/attempt/timing';
import { feedbackAfter, type ShownFeedback } from '@/core/sitting/feedback';
import type { DeliveredTest } from '@/core/item/delivered';
import type { Plan } from '@/core/sitting/plan';
import type { Sitting } from '@/core/sitting/sitting';
import { hasInnerClocks, isStaged, stageOf } from '@/core/sitting/stage';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { Refusal } from '../refusal';
import { attemptOf, momentFor, say, timingOf, type AttemptRow } from './attempts';
import { deliveredOf, forgetAssets } from './content';
import { deviceOf } from './devices';
import { planOf, runOf } from './sittings';

/** Asks something of an attempt's plan once: a plan does not change. */
function askedOnce(ask: (plan: Plan) => boolean): (db: Db, attempt: AttemptRow) => boolean {
  const answers = new WeakMap<Plan, boolean>();
  return (db, attempt) => {
    const plan = planOf(db, attempt);
    const known = answers.get(plan) ?? ask(plan);
    answers.set(plan, known);
    return known;
  };
}

/** Whether an attempt goes through stages at all. */
export const hasStages = askedOnce(isStaged);
/** Whether clocks end stages of it by themselves. */
export const hasClocks = askedOnce((plan) => isStaged(plan) && hasInnerClocks(plan));

export interface CaughtUp {
  readonly attempt: AttemptRow;
  readonly sitting: Sitting;
  /** A clock has ended something since anybody last asked. */
  readonly moved: boolean;
}

/**
 * Brings what is said of an attempt up to a moment: what clocks have ended since is said, each at its own moment. The end of the
 * whole test is not said here: that hands in.
 */
export function catchUp(db: Db, attempt: AttemptRow, now: number): CaughtUp {
  const { sitting, unsaid } = runOf(db, attempt).at(now);
  if (unsaid.length === 0 || attempt.phase !== 'running') return { attempt, sitting, moved: false };
  let after = attempt;
  for (const one of unsaid) after = say(db, after, { type: 'went-on', by: 'time', stage: one.stage }, one.at);
  forgetAssets(db, attempt.id);
  return { attempt: after, sitting, moved: true };
}

/** What came of going on. */
export interface WentOn {
  readonly test: DeliveredTest;
  /** What the test has to say to it. */
  readonly feedback: readonly ShownFeedback[];
  /** A clock had ended something first, so that nothing was done of what was asked. */
  readonly moved: boolean;
}

/**
 * Goes on in a part without a way back, ends a part, or (`time`) sees what a clock has ended. Answers already sent count; the browser
 * sends what it holds first.
 * @throws Refusal `not-found`, `unknown-device`, `moved`, `stopped`, `handed-in`, `time-over`, `closed`, `needs-answer`, `not-valid`,
 * `too-early`
 */
export function goOn(
  db: Db,
  user: User,
  { attemptId, move }: { readonly attemptId: string; readonly move: Move | 'time' },
  device: string,
  now: number,
): WentOn {
  return db
    .transaction((): WentOn => {
      const attempt = attemptOf(db, user, attemptId);
      deviceOf(db, attemptId, device);
      if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
      if (attempt.phase !== 'running')
        throw new Refusal(attempt.phase === 'not-started' ? 'not-begun' : attempt.phase, 409);
      if (isOver(timingOf(attempt), now)) throw new Refusal('time-over', 409);
      if (!hasStages(db, attempt)) throw new Refusal('bad-input', 409);
      // It is done at the moment it is said, so that the same comes of it whenever it is worked out again.
      const caught = catchUp(db, attempt, momentFor(attempt, now));
      const { sitting } = caught;
      if (caught.moved || move === 'time')
        return { test: deliveredOf(db, caught.attempt, sitting), feedback: [], moved: caught.moved };
      const { looking, at: left } = sitting.state;
      const open = sitting.plan.parts[sitting.state.part]?.part;
      // In a part with a way back going on is only looking at another question, and asks nobody; so it is in one that has ended.
      if (move === 'next' && (looking !== null || open?.navigation !== 'linear'))
        throw new Refusal('bad-input', 409);
      const endedBefore = sitting.state.closedParts.length;
      const taken = sitting.take({ do: move });
      if (!taken.ok) throw new Refusal(refusalFor(taken.refused), 409);
      say(db, caught.attempt, { type: 'went-on', by: move, stage: stageOf(sitting) }, now);
      forgetAssets(db, attemptId);
      return {
        test: deliveredOf(db, caught.attempt, sitting),
        feedback: feedbackAfter(sitting, { feedback: taken.feedback, ref: left, endedBefore }),
        moved: false,
      };
    })
    .immediate();
}

/** A sitting's refusal, in the words of the server. */
export function refusalFor(refused: string): Refusal['code'] {
  const known = [
    'needs-answer',
    'not-valid',
    'too-early',
    'time-over',
    'stopped',
    'handed-in',
    'not-shown',
  ] as const;
  return known.find((one) => one === refused) ?? 'closed';
}
