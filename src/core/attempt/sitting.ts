import { drawForm, type Form } from '../sitting/form';
import { Sitting } from '../sitting/sitting';
import { isSameStage, stageOf, type Stage } from '../sitting/stage';
import type { Test } from '../item/test';
import type { SittingContent } from '../sitting/plan';
import type { Action } from '../sitting/actions';
import { compareEvents, type AttemptEvent } from './events';
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
    case 'time-added':
      return { do: 'add-time', ms: event.ms };
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

/** Where a sitting stood from a moment on. */
interface StageAt {
  readonly at: Millis;
  readonly stage: Stage;
}

/**
 * The sitting that an attempt's events make, gone on with as events come: the same events give the same sitting. Keeps where it stood
 * at the last of them, so that what comes after costs nothing of what was before.
 */
export class SittingRun {
  private readonly sitting: Sitting;
  private clock: Millis | null = null;
  private newest: AttemptEvent | null = null;
  private readonly ended: StageAt[] = [];
  /** The stage that was said last, and when; null where none ever was. */
  private said: StageAt | null = null;

  /** @param events in their one order, from `begun` on */
  constructor(content: SittingContent, seed: string, events: readonly AttemptEvent[]) {
    this.sitting = Sitting.begin(content, formOf(events, content.test, seed));
    this.add(events);
  }

  /**
   * Goes on with more events, in their order.
   * @returns false when one of them belongs before what was there already: then only all of them from the beginning can tell
   */
  add(events: readonly AttemptEvent[]): boolean {
    for (const event of events) {
      if (this.newest && compareEvents(event, this.newest) < 0) return false;
      this.newest = event;
      if (event.type === 'begun') this.clock = event.at;
      const stage = event.type === 'went-on' || event.type === 'begun' ? event.stage : undefined;
      if (stage) this.said = { at: event.at, stage };
      const action = actionOf(event);
      if (!action) continue;
      this.clock = passTime(this.sitting, this.clock ?? event.at, event.at, this.ended);
      this.sitting.take(action);
    }
    return true;
  }

  /**
   * Where it stands at a moment: a sitting of its own, and what clocks have ended until then that nobody has said yet, each at its own
   * moment. The end of the whole test is not among it.
   */
  at(now: Millis): { readonly sitting: Sitting; readonly unsaid: readonly StageAt[] } {
    const sitting = this.sitting.copy();
    const ended = [...this.ended];
    passTime(sitting, this.clock ?? now, now, ended);
    const { said } = this;
    const stage = stageOf(sitting);
    if (!said || sitting.state.phase !== 'running' || isSameStage(said.stage, stage))
      return { sitting, unsaid: [] };
    const since = ended.filter(({ at }) => at > said.at);
    return { sitting, unsaid: since.length > 0 ? since : [{ at: now, stage }] };
  }
}

/** Lets time pass to a moment, and notes what clocks end on the way. @returns where the clock is then */
function passTime(sitting: Sitting, from: Millis, until: Millis, ended: StageAt[]): Millis {
  let clock = from;
  for (
    let left = sitting.untilNextEnd();
    left !== null && clock + left <= until;
    left = sitting.untilNextEnd()
  ) {
    sitting.wait(left);
    clock += left;
    if (sitting.state.phase === 'running') ended.push({ at: clock, stage: stageOf(sitting) });
  }
  if (until <= clock) return clock;
  sitting.wait(until - clock);
  return until;
}

/** The sitting that an attempt's events make, up to a moment. @param events in their one order; the first is `begun` */
export const sittingFrom = (
  content: SittingContent,
  seed: string,
  events: readonly AttemptEvent[],
  now: Millis,
): Sitting => new SittingRun(content, seed, events).at(now).sitting;
