import { drawForm, type Form } from '../sitting/form';
import { Sitting } from '../sitting/sitting';
import type { Test } from '../item/test';
import type { SittingContent } from '../sitting/plan';
import type { Action } from '../sitting/actions';
import type { AttemptEvent } from './events';
import type { Millis } from './timing';

/** What an event does in the sitting; null for what is only a mark of the student's. */
function actionOf(event: AttemptEvent): Action | null {
  switch (event.type) {
    case 'answered':
      return { do: 'answer', ref: event.item, responses: event.responses, admitted: true };
    case 'opened':
      return { do: 'go', ref: event.item };
    case 'checked':
      return { do: 'check', ref: event.item, by: event.by ?? null };
    case 'went-on':
      // What a clock ends, ends by the time that passes.
      return event.by === 'time' ? null : { do: event.by };
    case 'stopped':
      return { do: 'stop' };
    case 'resumed':
      return { do: 'resume' };
    case 'handed-in':
      return { do: 'hand-in', forced: true };
    default:
      return null;
  }
}

/** The form of an attempt: what its beginning says, or drawn from its seed where it was begun before forms were kept. */
export function formOf(events: readonly AttemptEvent[], test: Test, seed: string): Form {
  const begun = events.find((event) => event.type === 'begun');
  return begun?.form ?? drawForm(test, seed);
}

/**
 * The sitting that an attempt's events make, up to a moment: where it stands by the standard's rules, and its scores. The same
 * events give the same sitting.
 * @param events in their one order; the first is `begun`
 * @param onEnd told of every moment at which a clock ended something
 */
export function sittingFrom(
  content: SittingContent,
  seed: string,
  events: readonly AttemptEvent[],
  now: Millis,
  onEnd?: (sitting: Sitting, at: Millis) => void,
): Sitting {
  const sitting = Sitting.begin(content, formOf(events, content.test, seed));
  const begun = events.find((event) => event.type === 'begun');
  let clock = begun?.at ?? now;
  const until = (moment: Millis) => {
    for (
      let left = onEnd && sitting.untilNextEnd();
      typeof left === 'number';
      left = sitting.untilNextEnd()
    ) {
      if (clock + left > moment) break;
      sitting.wait(left);
      clock += left;
      onEnd?.(sitting, clock);
    }
    if (moment > clock) sitting.wait(moment - clock);
    clock = Math.max(clock, moment);
  };
  for (const event of events) {
    const action = actionOf(event);
    if (!action) continue;
    until(event.at);
    sitting.take(action);
  }
  until(now);
  return sitting;
}
