import type { DeliveredClock, PartStatus, Showing } from '../item/delivered';
import type { TimeLimits } from '../item/test';
import { minimumOf, type Place, type Plan } from './plan';
import type { Sitting } from './sitting';
import { isTimedOut } from './state';

/** Where an attempt stands by the rules of its test: what may be answered, and what may only be looked at. */
export interface Stage {
  /** The open part; null when every part has ended and handing in is what is left. */
  readonly part: string | null;
  /** The question it leads to; null where there is none. */
  readonly at: string | null;
  /** Questions that take answers, in order. */
  readonly open: readonly string[];
  /** Questions of ended parts that may be looked at again (`allow-review`), in order. */
  readonly lookable: readonly string[];
}

const ends = ({ maximum }: TimeLimits): boolean => maximum !== null;

/**
 * Whether a test has stages at all: parts that follow one another, forward-only ones, questions or sections that a clock ends. One
 * open part without any of it is all open until it is handed in, and nothing has to be asked on the way.
 */
export function isStaged({ parts, places }: Plan): boolean {
  const [first, ...more] = parts;
  return more.length > 0 || first?.part.navigation === 'linear' || places.some(isClocked);
}

/** Whether a clock of its own, or of a section around it, can end a question. */
const isClocked = ({ source, sections }: Place): boolean =>
  ends(source.timeLimits) || sections.some(({ section }) => ends(section.timeLimits));

/** Whether a clock inside the test can end something of it before the whole ends. */
export const hasInnerClocks = ({ parts, places }: Plan): boolean =>
  parts.some(({ part }) => ends(part.timeLimits)) || places.some(isClocked);

/** Whether handing in may be refused for what is missing, or for being too early. */
export const holdsHandIn = ({ content, parts, places }: Plan): boolean =>
  minimumOf(content.test.timeLimits) > 0 ||
  parts.some(({ part }) => minimumOf(part.timeLimits) > 0) ||
  places.some(
    ({ source, sections }) =>
      !source.sessionControl.allowSkipping ||
      source.sessionControl.validateResponses ||
      minimumOf(source.timeLimits) > 0 ||
      sections.some(({ section }) => minimumOf(section.timeLimits) > 0),
  );

const isIn = ({ state }: Sitting, { ref }: Place): boolean => !state.leftOut.has(ref);

const refsOf = (places: readonly Place[]): string[] => places.map(({ ref }) => ref);

/** Where a sitting stands now. */
export function stageOf(sitting: Sitting): Stage {
  const { plan, state } = sitting;
  const open = state.phase === 'handed-in' ? undefined : plan.parts[state.part];
  const answerable =
    open?.part.navigation === 'linear'
      ? open.places.filter(({ ref }) => ref === state.at)
      : (open?.places ?? []).filter((place) => isIn(sitting, place) && !isTimedOut(state, place));
  const ended = plan.parts.slice(0, state.part).flatMap(({ places }) => places);
  return {
    part: open?.part.identifier ?? null,
    at: open ? state.at : null,
    open: refsOf(answerable),
    lookable: refsOf(
      ended.filter((place) => isIn(sitting, place) && place.source.sessionControl.allowReview),
    ),
  };
}

/** Whether the same is open; where in it the student is, is the student's. */
export const isSameStage = (a: Stage, b: Stage): boolean =>
  a.part === b.part && JSON.stringify([a.open, a.lookable]) === JSON.stringify([b.open, b.lookable]);

/** What a student's browser may be given of a sitting now; after hand-in, everything that was in. */
export function showingOf(sitting: Sitting): Showing {
  const { plan, state } = sitting;
  const over = state.phase === 'handed-in';
  const { open, lookable } = stageOf(sitting);
  const inForm = plan.places.filter((place) => isIn(sitting, place));
  // A question that its clock ended stays where it is, closed.
  const ended = inForm.filter((place) => place.part === state.part && isTimedOut(state, place));
  const linear = plan.parts[state.part]?.part.navigation === 'linear';
  return {
    refs: new Set(over ? refsOf(inForm) : [...open, ...lookable, ...(linear ? [] : refsOf(ended))]),
    numbers: new Map(inForm.map(({ ref }, i) => [ref, i + 1])),
    count: inForm.length,
    parts: plan.parts.map(({ places }, i) => {
      const status: PartStatus = over || i < state.part ? 'ended' : i === state.part ? 'open' : 'ahead';
      return { status, count: places.filter((place) => isIn(sitting, place)).length };
    }),
    clocks: over ? [] : clocksOf(sitting),
  };
}

/** The clocks inside the open part. */
function clocksOf({ plan, state }: Sitting): DeliveredClock[] {
  const open = plan.parts[state.part];
  if (!open) return [];
  const { part, places } = open;
  const clock = (limits: TimeLimits, rest: Omit<DeliveredClock, 'maximum' | 'late'>): DeliveredClock[] => {
    const maximum = plan.maximumOf(limits);
    return maximum === null ? [] : [{ ...rest, maximum, late: limits.allowLateSubmission }];
  };
  const linear = part.navigation === 'linear';
  const met = places.filter(({ ref }) => !linear || state.route.includes(ref));
  const sections = new Map(places.flatMap((place) => place.sections).map((one) => [one.key, one.section]));
  return [
    ...clock(part.timeLimits, { kind: 'part', key: part.identifier, title: part.title, refs: refsOf(met) }),
    ...[...sections].flatMap(([key, { title, timeLimits, visible }]) =>
      clock(timeLimits, {
        kind: 'section',
        key,
        title: visible ? title : '',
        refs: refsOf(met.filter((place) => place.sections.some((one) => one.key === key))),
      }),
    ),
    ...met.flatMap(({ ref, source }) =>
      clock(source.timeLimits, { kind: 'item', key: ref, title: '', refs: [ref] }),
    ),
  ];
}
