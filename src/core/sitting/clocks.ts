import type { TimeLimits } from '../item/test';
import { minimumOf, type Place } from './plan';
import type { Run } from './run';

/** A clock that runs now: how much it has counted, in milliseconds, and what its end does. */
interface Clock {
  /** It is of the test or its open part, and not of what stands in it. */
  readonly isWide: boolean;
  readonly limits: TimeLimits;
  readonly used: number;
  /** What was added to its maximum. */
  readonly added: number;
  count(ms: number): void;
  add(ms: number): void;
  end(): void;
}

/** The clocks that run, outermost first. */
const running = (run: Run): Clock[] => (run.state.phase === 'running' ? clocksHere(run) : []);

/** The clocks of where one is: the test's, the open part's, those of the section and question one is at. */
function clocksHere(run: Run): Clock[] {
  const { state, plan } = run;
  const sum = (map: Map<string, number>, key: string) => (ms: number) => {
    map.set(key, (map.get(key) ?? 0) + ms);
  };
  const inMaps = (
    [used, added]: readonly [Map<string, number>, Map<string, number>],
    key: string,
    limits: TimeLimits,
    end: () => void,
  ): Clock => ({
    isWide: used === state.usedParts,
    limits,
    used: used.get(key) ?? 0,
    added: added.get(key) ?? 0,
    count: sum(used, key),
    add: sum(added, key),
    end,
  });
  const ofParts = [state.usedParts, state.addedParts] as const;
  const ofSections = [state.usedSections, state.addedSections] as const;
  const ofQuestions = [state.usedQuestions, state.addedQuestions] as const;
  const clocks: Clock[] = [
    {
      isWide: true,
      limits: plan.content.test.timeLimits,
      used: state.usedTest,
      added: state.addedTest,
      count: (ms) => {
        state.usedTest += ms;
      },
      add: (ms) => {
        state.addedTest += ms;
      },
      end: () => run.handIn(),
    },
  ];
  const open = run.openPart;
  if (open) {
    const { part } = open;
    clocks.push(inMaps(ofParts, part.identifier, part.timeLimits, () => endPartByTime(run)));
  }
  const here = state.looking === null ? run.here : undefined;
  if (here) {
    for (const { key, section } of here.sections)
      clocks.push(inMaps(ofSections, key, section.timeLimits, () => run.endSectionByTime(key)));
    clocks.push(inMaps(ofQuestions, here.ref, here.source.timeLimits, () => run.endQuestionByTime(here)));
  }
  return clocks;
}

function endPartByTime(run: Run): void {
  const { here, openPart } = run;
  if (here && openPart?.part.navigation === 'linear') run.endQuestion(here, 'time');
  run.endPart();
}

/** Milliseconds until a clock closes its thing; null where it never does. */
function leftOf(run: Run, { limits, used, added }: Clock): number | null {
  const maximum = limits.allowLateSubmission ? null : run.plan.maximumOf(limits);
  return maximum === null ? null : maximum + added - used;
}

/** Gives so many milliseconds more to every clock that could end what the student is at; what its clock has ended stays so. */
export function addTime(run: Run, ms: number): void {
  const { here } = run;
  const isOver = here !== undefined && run.isTimedOut(here);
  for (const clock of clocksHere(run)) if (!isOver || clock.isWide) clock.add(ms);
}

/** Whether a clock could end what the student is at, so that time can be added to it. */
export const isTimed = (run: Run): boolean =>
  clocksHere(run).some(({ limits }) => run.plan.maximumOf(limits) !== null);

/**
 * Lets time pass: every clock counts, and what reaches its maximum ends at its own moment; what comes next has run for the rest
 * (sitting.md, "Clocks"). With 0 only what is over by now ends.
 */
export function advance(run: Run, ms: number): void {
  let rest = ms;
  for (;;) {
    const clocks = running(run);
    const ends = clocks.flatMap((clock) => {
      const left = leftOf(run, clock);
      return left === null || left > rest ? [] : [{ clock, left: Math.max(0, left) }];
    });
    const soonest = Math.min(...ends.map(({ left }) => left));
    const due = ends.find(({ left }) => left === soonest);
    const step = due ? soonest : rest;
    for (const clock of clocks) clock.count(step);
    rest -= step;
    if (!due) return;
    due.clock.end();
  }
}

/** Whether an answer given now comes after a maximum that takes late ones. */
export function isLate(run: Run, place: Place): boolean {
  const { state, plan } = run;
  const over = (limits: TimeLimits, used = 0, added = 0): boolean => {
    const maximum = plan.maximumOf(limits);
    return limits.allowLateSubmission && maximum !== null && used >= maximum + added;
  };
  const part = plan.parts[place.part]?.part;
  return (
    over(plan.content.test.timeLimits, state.usedTest, state.addedTest) ||
    (part !== undefined &&
      over(part.timeLimits, state.usedParts.get(part.identifier), state.addedParts.get(part.identifier))) ||
    place.sections.some(({ key, section }) =>
      over(section.timeLimits, state.usedSections.get(key), state.addedSections.get(key)),
    ) ||
    over(place.source.timeLimits, state.usedQuestions.get(place.ref), state.addedQuestions.get(place.ref))
  );
}

/** Milliseconds until the next end if nothing else happens; null when nothing ends by itself. */
export function untilNextEnd(run: Run): number | null {
  const lefts = running(run).flatMap((clock) => leftOf(run, clock) ?? []);
  return lefts.length === 0 ? null : Math.max(0, Math.min(...lefts));
}

/** Whether something left on the way from one question was left before its minimum. */
export function leftTooEarly(before: Run, after: Run): boolean {
  const here = before.here;
  const open = before.openPart;
  if (!open) return false;
  const { state } = before;
  const short = (limits: TimeLimits, used: number | undefined) => (used ?? 0) < minimumOf(limits);
  const partLeft = after.state.part !== state.part;
  if (partLeft && short(open.part.timeLimits, state.usedParts.get(open.part.identifier))) return true;
  if (open.part.navigation !== 'linear' || !here) return false;
  const there = partLeft ? undefined : after.here;
  if (there?.ref !== here.ref && short(here.source.timeLimits, state.usedQuestions.get(here.ref)))
    return true;
  return here.sections.some(
    ({ key, section }) =>
      !there?.sections.some((one) => one.key === key) &&
      short(section.timeLimits, state.usedSections.get(key)),
  );
}
