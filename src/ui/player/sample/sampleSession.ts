import { NEW_ATTEMPT } from '@/core/attempt/state';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import { NO_PLACES } from '../../attempt/offline/places';
import { ServerClock } from '../../attempt/session/clock';
import type { Journal } from '../../attempt/session/journal';
import { AttemptSession } from '../../attempt/session/session';
import type { Transport } from '../../attempt/session/transport';

const journal: Journal = {
  append: () => Promise.resolve(),
  forget: () => Promise.resolve(),
  kept: () => Promise.resolve(new Map()),
};

/**
 * An attempt at a sample that is no test: everything works as in one, and nothing leaves the page.
 * @param check gives a question back with what is to be said of its answer; without, none can be checked
 */
export function sampleSession(
  test: DeliveredTest,
  needs: AccessNeeds,
  displayName: string,
  check?: (ref: string) => DeliveredItem,
): AttemptSession {
  const never = () => Promise.reject(new TypeError('a sample is not handed in'));
  const now = () => performance.now();
  const transport: Transport = {
    content: never,
    resume: never,
    save: (_device, events, cursor) =>
      Promise.resolve({
        acknowledged: Math.max(0, ...events.map(({ seq }) => seq)),
        serverNow: Math.round(now()),
        cursor,
        others: [],
        moved: false,
        phase: 'running',
      }),
    check: check ? (_device, ref) => Promise.resolve({ item: check(ref) }) : never,
    goOn: never,
    stop: never,
    handIn: never,
  };
  const [first = null] = Object.keys(test.items);
  return new AttemptSession(
    {
      device: 'sample',
      state: { ...NEW_ATTEMPT, phase: 'running', current: first },
      cursor: 0,
    },
    { test, student: { displayName, needs, tries: false } },
    new ServerClock(now(), now),
    { journal, places: NO_PLACES },
    transport,
  );
}
