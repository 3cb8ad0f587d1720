import { openPartOf, type DeliveredClock, type DeliveredPart, type DeliveredTest } from '../item/delivered';
import { own } from '../own';
import { overview } from './overview';
import { partKey, type AttemptState } from './state';
import { leftAt, type Millis } from './timing';

/** A clock that runs now. */
export interface RunningClock {
  readonly kind: 'test' | DeliveredClock['kind'];
  /** What it belongs to, for people; empty where that has no name. */
  readonly title: string;
  readonly maximum: Millis;
  readonly left: Millis;
  /** At its end answers are still taken, and marked late. */
  readonly late: boolean;
}

/** Milliseconds that a clock inside the test has counted by now. */
function usedBy({ kind, key, refs }: DeliveredClock, state: AttemptState, now: Millis): Millis {
  const { spent, countedTo, phase, current } = state;
  const since = phase === 'running' && countedTo !== null ? Math.max(0, now - countedTo) : 0;
  if (kind === 'part') return (own(spent, partKey(key)) ?? 0) + since;
  const counted = refs.reduce((sum, ref) => sum + (own(spent, ref) ?? 0), 0);
  return counted + (current !== null && refs.includes(current) ? since : 0);
}

/** What was added to a clock inside the test: to its part, or while one of its questions was on the screen. */
const addedTo = ({ kind, key, refs }: DeliveredClock, { added }: AttemptState): Millis =>
  kind === 'part'
    ? (own(added, partKey(key)) ?? 0)
    : refs.reduce((sum, ref) => sum + (own(added, ref) ?? 0), 0);

/**
 * The clocks inside the test that run now: of the open part, and of the section and question on the screen. The same as those of the
 * sitting engine (`sitting/clocks`), told from what the browser has.
 */
export function innerClocks(test: DeliveredTest, state: AttemptState, now: Millis): RunningClock[] {
  const { stage, current } = state;
  if (!stage) return [];
  const isOn = ({ kind, key, refs }: DeliveredClock) =>
    kind === 'part'
      ? key === stage.part
      : current !== null && refs.includes(current) && stage.open.includes(current);
  return test.clocks.filter(isOn).map((clock) => {
    const maximum = clock.maximum + addedTo(clock, state);
    return {
      kind: clock.kind,
      title: clock.title,
      maximum,
      left: Math.max(0, maximum - usedBy(clock, state, now)),
      late: clock.late,
    };
  });
}

/** Whether a clock inside the test has come to its end, so that something is closed now. */
export const hasEnded = (test: DeliveredTest, state: AttemptState, now: Millis): boolean =>
  state.phase === 'running' && innerClocks(test, state, now).some(({ left, late }) => left === 0 && !late);

/** The clock that ends first of all that run, the test's own included; null = nothing is timed. */
export function nextToEnd(test: DeliveredTest, state: AttemptState, now: Millis): RunningClock | null {
  const { limit } = state.timing;
  const left = leftAt(state.timing, now);
  const whole: RunningClock[] =
    limit === null || left === null ? [] : [{ kind: 'test', title: '', maximum: limit, left, late: false }];
  const all = [...innerClocks(test, state, now).filter((one) => !(one.late && one.left === 0)), ...whole];
  return all.reduce<RunningClock | null>(
    (first, one) => (first && first.left <= one.left ? first : one),
    null,
  );
}

/** The time that is shared, and how far one is in it. */
export interface Shared {
  /** The whole test where it has a limit, else the open part. */
  readonly kind: 'test' | 'part';
  readonly limit: Millis;
  readonly used: Millis;
  readonly questions: number;
  readonly done: number;
}

/** What an attempt's time is shared over; null where nothing has a limit. @param now milliseconds by the server's clock */
export function sharedTime(test: DeliveredTest, state: AttemptState, now: Millis): Shared | null {
  const { limit } = state.timing;
  const left = leftAt(state.timing, now);
  const part = openPartOf(test);
  const doneIn = (parts: readonly DeliveredPart[]): number => {
    const refs = new Set(parts.flatMap(({ sections }) => sections.flatMap(({ items }) => items)));
    return overview(test, state).filter(({ ref, standing }) => refs.has(ref) && standing === 'done').length;
  };
  if (limit !== null && left !== null)
    return { kind: 'test', limit, used: limit - left, questions: test.count, done: doneIn(test.parts) };
  const clock = innerClocks(test, state, now).find(({ kind }) => kind === 'part');
  if (!clock || !part) return null;
  const used = clock.maximum - clock.left;
  return { kind: 'part', limit: clock.maximum, used, questions: part.count, done: doneIn([part]) };
}
