import { may } from '@/core/attempt/may';
import { own } from '@/core/own';
import { triesOf } from '@/core/deliver/deliver';
import type { DeliveredItem } from '@/core/item/delivered';
import { feedbackAfter } from '@/core/sitting/feedback';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { Refusal } from '../refusal';
import { attemptOf, momentFor, say } from './attempts';
import { deliveredOf, forgetAssets } from './content';
import { deviceOf } from './devices';
import { stateOf } from './eventLog';
import { catchUp, refusalFor } from './stages';

export interface Check {
  readonly attemptId: string;
  /** What the question is called in this attempt. */
  readonly item: string;
  /** The response of the end attempt button that asked; null for the player's own. */
  readonly by: string | null;
}

/**
 * Checks the answer to one question now (QTI 3.0, "end attempt"): scores it, and gives the question back with the feedback that
 * may be seen. Answers already sent count; the browser sends what it holds first.
 * @throws Refusal `moved`, `not-found`, `stopped`, `handed-in`, `time-over`, `closed` when the question takes no more tries,
 * `needs-answer`, `not-valid`
 */
export function checkItem(
  db: Db,
  user: User,
  { attemptId, item: ref, by }: Check,
  device: string,
  now: number,
): { item: DeliveredItem } {
  return db
    .transaction(() => {
      const attempt = attemptOf(db, user, attemptId);
      deviceOf(db, attemptId, device);
      if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
      const refused = may(stateOf(db, attemptId), { type: 'check', item: ref }, now);
      if (refused !== null && refused !== 'not-shown') throw new Refusal(refused, 409);
      const { sitting } = catchUp(db, attempt, momentFor(attempt, now));
      const place = sitting.plan.placeOf(ref);
      if (!place) throw new Refusal('not-found', 404);
      const { item: asked, source } = place;
      const submission = sitting.plan.submissionOf(place);
      const allowed = triesOf(asked, source.sessionControl, submission);
      if (allowed === null) throw new Refusal('closed', 409);
      const taken = sitting.take({ do: 'check', ref, by });
      if (!taken.ok) throw new Refusal(refusalFor(taken.refused), 409);
      const after = sitting.state.questions.get(ref);
      const tries = after?.attempts ?? 1;
      const closed = asked.adaptive ? (after?.completed ?? false) : allowed > 0 && tries >= allowed;
      say(db, attempt, { type: 'checked', item: ref, tries, closed, by }, now);
      forgetAssets(db, attemptId);
      const item = own(deliveredOf(db, attempt, sitting).items, ref);
      if (!item) throw new Refusal('not-found', 404);
      // What the test says of it stands with what the question says.
      const endedBefore = sitting.state.closedParts.length;
      const said = feedbackAfter(sitting, { feedback: taken.feedback, ref: null, endedBefore });
      return { item: { ...item, feedback: [...item.feedback, ...said] } };
    })
    .immediate();
}
