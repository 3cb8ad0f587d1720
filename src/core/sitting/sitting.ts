import { withPoints, type PersonPoints } from '../marking/marking';
import { progressOfItem } from '../item/progress';
import { responseProblem } from '../item/responseProblem';
import type { QuestionOutcome } from '../processing/scoreTest';
import type { Action, Refused } from './actions';
import { addTime, advance, isLate, isTimed, leftTooEarly, untilNextEnd } from './clocks';
import type { Form } from './form';
import { minimumOf, Plan, type Place, type SittingContent } from './plan';
import { countedIn, pointsOf, type Points } from './points';
import { Run } from './run';
import { beginning, copyOf, type SittingState } from './state';

/** What a step did: where one is afterwards, and the feedback it shows; or why it was not done, with everything as it was. */
export type Step =
  | { readonly ok: true; readonly at: string | null; readonly feedback: readonly string[] }
  | { readonly ok: false; readonly at: string | null; readonly refused: Refused };

/**
 * One student taking one test: given the test as this attempt drew it, what happens and the time that passes, it says which
 * question is on the screen, where one may go, what may be answered, which clocks run and what feedback may be seen. The same in
 * the browser, on the server and on the command line (sitting.md). Knows no clock of its own: time comes in as `wait`.
 */
export class Sitting {
  private constructor(
    readonly plan: Plan,
    private current: SittingState,
  ) {}

  /** Begins: the first part is entered. @throws FormMismatch */
  static begin(content: SittingContent, form: Form): Sitting {
    const plan = new Plan(content, form);
    const run = new Run(plan, beginning(plan));
    run.processOutcomes();
    run.enterPart(0);
    advance(run, 0);
    return new Sitting(plan, run.state);
  }

  /** Another that stands at the same place, and goes on by itself. */
  copy(): Sitting {
    return new Sitting(this.plan, copyOf(this.current));
  }

  /** Where it stands; the same object goes on changing with the sitting. */
  get state(): Readonly<SittingState> {
    return this.current;
  }

  /** The question on the screen; null where there is none. */
  get at(): string | null {
    const { phase, looking, at } = this.current;
    return phase === 'running' ? (looking ?? at) : null;
  }

  /** Another with what persons gave for its questions: scored by that, and by the test's own outcome processing again. */
  marked(points: ReadonlyMap<string, PersonPoints>): Sitting {
    const run = new Run(this.plan, copyOf(this.current));
    for (const [ref, given] of points) {
      const place = this.plan.placeOf(ref);
      const { score } = run.question(ref);
      if (place && score)
        run.change(ref, { score: { ...score, outcomes: withPoints(place.item, score.outcomes, given) } });
    }
    run.processOutcomes();
    return new Sitting(this.plan, run.state);
  }

  /**
   * Another with what was given scored by another version of the test: a key was corrected. Where one went, what was told on the way and
   * how long it took stay as they were.
   * @throws FormMismatch where `fitsForms` (rescore.ts) says no
   */
  scoredBy(content: SittingContent): Sitting {
    const plan = new Plan(content, this.plan.form);
    const run = new Run(plan, copyOf(this.current));
    for (const place of plan.places) run.scoreAnew(place);
    run.processOutcomes();
    return new Sitting(plan, run.state);
  }

  /** What the attempt is worth as it stands (`points.ts`). */
  points(isMarked: (question: QuestionOutcome) => boolean): Points {
    const run = new Run(this.plan, this.current);
    return pointsOf(this.plan.content.test, run.situation(), isMarked, run.durations());
  }

  /** The questions whose points count; the others are on trial (`points.ts`). */
  counted(): ReadonlySet<string> {
    return countedIn(this.plan.content.test, new Run(this.plan, this.current).situation());
  }

  /** Lets milliseconds pass. While stopped, and when it is over, nothing runs. */
  wait(ms: number): Step {
    const run = new Run(this.plan, this.current);
    advance(run, ms);
    return { ok: true, at: this.at, feedback: run.feedback };
  }

  /** Milliseconds until a clock ends something by itself; null when none does. */
  /** Whether a clock could end what the student is at. */
  get isTimed(): boolean {
    return isTimed(new Run(this.plan, this.current));
  }

  untilNextEnd(): number | null {
    return untilNextEnd(new Run(this.plan, this.current));
  }

  /** Why an action may not be done now; null when it may. */
  may(action: Action): Refused | null {
    return carryOut(new Run(this.plan, copyOf(this.current)), action, new Run(this.plan, this.current));
  }

  /** Does what was asked, or says why not and changes nothing. */
  take(action: Action): Step {
    const before = new Run(this.plan, this.current);
    const run = TRIED_OUT.has(action.do) ? new Run(this.plan, copyOf(this.current)) : before;
    const refused = carryOut(run, action, before);
    if (refused !== null) return { ok: false, at: this.at, refused };
    advance(run, 0);
    this.current = run.state;
    return { ok: true, at: this.at, feedback: run.feedback };
  }
}

/**
 * Whether these were too early is known only once they are done, so they are done on a copy. All others are refused before anything
 * has changed: a replay of a hundred thousand answers copies nothing.
 */
const TRIED_OUT: ReadonlySet<Action['do']> = new Set(['next', 'back', 'end-part', 'hand-in']);

function carryOut(run: Run, action: Action, before: Run): Refused | null {
  const { state, plan } = run;
  if (state.phase === 'handed-in') return 'handed-in';
  if (action.do === 'resume') {
    if (state.phase !== 'stopped') return 'not-stopped';
    state.phase = 'running';
    return null;
  }
  if (action.do === 'add-time') {
    addTime(run, action.ms);
    return null;
  }
  if (state.phase === 'stopped' && !(action.do === 'hand-in' && action.forced)) return 'stopped';
  if (action.do === 'hand-in') return handIn(run, before, action.forced ?? false);
  if (state.part >= plan.parts.length) return 'closed';
  switch (action.do) {
    case 'stop':
      state.phase = 'stopped';
      return null;
    case 'answer':
      return answer(run, action.ref, action.responses, action.admitted ?? false);
    case 'check':
      return check(run, action.ref, action.by ?? null);
    case 'go':
      return go(run, action.ref);
    case 'next':
      return step(run, before, 1);
    case 'back':
      return step(run, before, -1);
    case 'end-part':
      return endPart(run, before);
  }
}

/** Where a question of the open part is not to be answered: why. */
function notOpen(run: Run, place: Place | undefined): Refused | null {
  const { state } = run;
  if (!place || state.leftOut.has(place.ref) || place.part > state.part) return 'not-shown';
  if (place.part < state.part) return 'closed';
  if (run.isTimedOut(place)) return 'time-over';
  if (run.openPart?.part.navigation !== 'linear') return null;
  if (place.ref === state.at) return null;
  return run.question(place.ref).shown ? 'closed' : 'not-shown';
}

function answer(
  run: Run,
  ref: string,
  given: Extract<Action, { do: 'answer' }>['responses'],
  admitted: boolean,
): Refused | null {
  const place = run.plan.placeOf(ref);
  const closed = notOpen(run, place);
  if (closed !== null || !place) return closed;
  const individual = run.openPart?.part.submission === 'individual';
  if ((individual && !run.takesAttempt(place)) || run.question(ref).completed) return 'no-more-attempts';
  if (!admitted) {
    const item = run.plan.asDelivered(place, run.question(ref).templateDefaults);
    for (const [name, response] of Object.entries(given))
      if (responseProblem(item, name, response) !== null) return 'unreadable';
  }
  run.markShown(place);
  run.change(ref, {
    responses: new Map([...run.question(ref).responses, ...Object.entries(given)]),
    changed: true,
    late: run.question(ref).late || isLate(run, place),
  });
  return null;
}

/** What going on from a question, checking it, or ending its part wants of its answer. */
function answerMissing(run: Run, place: Place): Refused | null {
  if (run.plan.submissionOf(place) !== 'individual') return null;
  const { allowSkipping, validateResponses } = place.source.sessionControl;
  if (allowSkipping && !validateResponses) return null;
  const { responses, templateDefaults } = run.question(place.ref);
  const item = run.plan.asDelivered(place, templateDefaults);
  const { state } = progressOfItem(item, Object.fromEntries(responses));
  if (state === 'empty') return allowSkipping ? null : 'needs-answer';
  return validateResponses && state !== 'complete' ? 'not-valid' : null;
}

function check(run: Run, ref: string, by: string | null): Refused | null {
  const place = run.plan.placeOf(ref);
  const closed = notOpen(run, place);
  if (closed !== null || !place) return closed;
  if (run.openPart?.part.submission !== 'individual' || !run.takesAttempt(place)) return 'no-more-attempts';
  const missing = answerMissing(run, place);
  if (missing !== null) return missing;
  run.markShown(place);
  run.scoreAttempt(place, { by });
  run.processOutcomes();
  run.tellDuring([place]);
  return null;
}

function go(run: Run, ref: string): Refused | null {
  const { state } = run;
  const place = run.plan.placeOf(ref);
  if (!place || state.leftOut.has(ref) || place.part > state.part) return 'not-shown';
  if (place.part < state.part) {
    if (!place.source.sessionControl.allowReview) return 'closed';
    state.looking = ref;
    return null;
  }
  if (ref === state.at) {
    state.looking = null;
    return null;
  }
  if (run.openPart?.part.navigation === 'linear') {
    const here = run.here;
    return here && place.index < here.index ? 'no-way-back' : 'no-way-ahead';
  }
  if (run.isTimedOut(place)) return 'time-over';
  run.goTo(place);
  return null;
}

/** Next and back, through the form over sections; while looking at an ended part, through what may be looked at of it. */
function step(run: Run, before: Run, by: 1 | -1): Refused | null {
  const { state } = run;
  if (state.looking !== null) return stepLooking(run, state.looking, by);
  const part = run.openPart;
  const here = run.here;
  if (!part) return 'closed';
  if (part.part.navigation === 'linear') {
    if (by < 0) return 'no-way-back';
    if (!here) return 'closed';
    const missing = answerMissing(run, here);
    if (missing !== null) return missing;
    run.endQuestion(here, 'passed');
    run.moveOn(here.index, true);
    return leftTooEarly(before, run) ? 'too-early' : null;
  }
  const at = here?.index ?? (by > 0 ? part.places.length : -1);
  const ahead = by > 0 ? part.places.slice(at + 1) : part.places.slice(0, Math.max(0, at)).reverse();
  const target = ahead.find((place) => !run.isTimedOut(place));
  if (!target) return by > 0 ? 'last' : 'first';
  run.goTo(target);
  return null;
}

function stepLooking(run: Run, ref: string, by: 1 | -1): Refused | null {
  const { state, plan } = run;
  const place = plan.placeOf(ref);
  const lookable = plan.places.filter(
    (one) => one.part === place?.part && one.source.sessionControl.allowReview && !state.leftOut.has(one.ref),
  );
  const target = lookable[lookable.findIndex((one) => one.ref === ref) + by];
  if (!target && by < 0) return 'first';
  // Past its end one is back at the question that is open.
  state.looking = target?.ref ?? null;
  return null;
}

/** What keeps the open part from being ended. */
function partHeld(run: Run): Refused | null {
  const open = run.openPart;
  if (!open) return null;
  const asked =
    open.part.navigation === 'linear' ? [run.here] : open.places.filter((place) => !run.isTimedOut(place));
  const refusals = asked.map((place) => (place ? answerMissing(run, place) : null));
  return refusals.find((one) => one === 'needs-answer') ?? refusals.find((one) => one !== null) ?? null;
}

function endPart(run: Run, before: Run): Refused | null {
  const held = partHeld(run);
  if (held !== null) return held;
  const here = run.here;
  if (here && run.openPart?.part.navigation === 'linear') run.endQuestion(here, 'passed');
  run.endPart();
  return leftTooEarly(before, run) ? 'too-early' : null;
}

function handIn(run: Run, before: Run, forced: boolean): Refused | null {
  if (forced) {
    run.handIn();
    return null;
  }
  const held = partHeld(run);
  if (held !== null) return held;
  const { test } = run.plan.content;
  if (before.state.usedTest < minimumOf(test.timeLimits)) return 'too-early';
  const here = run.here;
  if (here && run.openPart?.part.navigation === 'linear') run.endQuestion(here, 'passed', false);
  run.handIn();
  return leftTooEarly(before, run) ? 'too-early' : null;
}
