import type { BrowserEvent } from '@/core/attempt/events';
import { NEW_ATTEMPT } from '@/core/attempt/state';
import { History } from '@/core/attempt/history';
import type { Millis } from '@/core/attempt/timing';
import { emptied, firstBatch, isEmptied } from './batches';
import type { ServerClock } from './clock';
import { Outbox } from './outbox';
import { AttemptSession, type Keeping } from './session';
import { ServerRefusal, type Resumed, type Transport } from './transport';

/** Refusals after which nothing of an attempt is kept on this computer. */
const ENDS = new Set(['handed-in', 'not-found', 'not-yours']);

/**
 * Sends what an earlier page left behind; one event the server will not take goes emptied, the rest as it is.
 * @returns what the server does not know that page for any more, to be said again by the next
 */
async function sendKept(
  earlier: string,
  events: readonly BrowserEvent[],
  transport: Transport,
): Promise<readonly BrowserEvent[]> {
  let left = events;
  let most: number | undefined;
  while (left.length > 0) {
    const batch = firstBatch(left, most);
    try {
      await transport.save(earlier, batch, Number.MAX_SAFE_INTEGER);
      left = left.slice(batch.length);
      most = undefined;
    } catch (error) {
      if (!(error instanceof ServerRefusal)) throw error;
      if (error.code === 'unknown-device') return left;
      if (error.code !== 'bad-input') throw error;
      const [first] = batch;
      if (batch.length > 1) most = Math.ceil(batch.length / 2);
      else if (first && !isEmptied(first)) left = [emptied(first), ...left.slice(1)];
      else throw error;
    }
  }
  return [];
}

/** What earlier pages on this computer could not send, and what became of it when the attempt was resumed here. */
interface Taken {
  readonly kept: ReadonlyMap<string, readonly BrowserEvent[]>;
  /** What the server does not know the page of any more. */
  readonly again: readonly BrowserEvent[];
  readonly resumed: Resumed;
}

/** First whatever an earlier page on this computer could not send is sent, then the attempt is resumed here. */
async function resume({ journal }: Keeping, transport: Transport): Promise<Taken> {
  const kept = await journal.kept().catch(() => new Map<string, readonly BrowserEvent[]>());
  const again: BrowserEvent[] = [];
  for (const [earlier, events] of kept) again.push(...(await sendKept(earlier, events, transport)));
  return { kept, again, resumed: await transport.resume() };
}

/** What the attempt shows is fetched, and it is open here. */
async function openByServer(
  { kept, again, resumed }: Taken,
  keeping: Keeping,
  transport: Transport,
  clockAt: (serverNow: Millis) => ServerClock,
): Promise<AttemptSession> {
  const content = await transport.content();
  const session = new AttemptSession(resumed, content, clockAt(resumed.serverNow), keeping, transport);
  for (const { device: _device, seq: _seq, at: _at, ...action } of again) session.dispatch(action);
  // Only now: until here this computer may have to open it without the server.
  for (const [earlier, events] of kept)
    await keeping.journal.forget(earlier, events.at(-1)?.seq ?? 0).catch(() => undefined);
  return session;
}

/**
 * The page that was here goes on under its own name and with its own numbers, from where this computer kept it. Time has not gone
 * backwards since, whatever the computer's clock says.
 * @returns null where nothing was kept, or not everything that was said since
 */
async function openByComputer(
  keeping: Keeping,
  transport: Transport,
  clockAt: (serverNow: Millis) => ServerClock,
): Promise<AttemptSession | null> {
  const found = await keeping.places.kept();
  if (!found) return null;
  const { place, content } = found;
  const { device, cursor, acknowledged, upTo } = place;
  const said = ((await keeping.journal.kept()).get(device) ?? []).filter(({ seq }) => seq > acknowledged);
  const isWhole = said.every(({ seq }, i) => seq === acknowledged + i + 1);
  if (!isWhole || acknowledged + said.length < upTo) return null;
  const history = new History({ ...NEW_ATTEMPT, ...place.state });
  for (const event of said) if (event.seq > upTo) history.add(event);
  const last = Math.max(place.serverNow, ...said.map(({ at }) => at));
  return new AttemptSession(
    { device, cursor, state: history.state, outbox: new Outbox(said, acknowledged) },
    content,
    clockAt(Math.max(last, Date.now() + place.ahead)),
    keeping,
    transport,
  );
}

/** Whether the server could not be asked, or could not answer: what it says of its own trouble is no word on the attempt. */
const isOutOfReach = (error: unknown): boolean => !(error instanceof ServerRefusal) || error.status >= 500;

/**
 * Opens an attempt in this page: by the server, or, where that cannot be asked, from what this computer kept of it.
 * @param own gives this computer's place to this page alone; false while another page has it, refused where the browser cannot tell
 * @throws ServerRefusal, `OpenElsewhere`, or what went wrong with the network where nothing is kept here
 */
export async function openSession(
  keeping: Keeping,
  transport: Transport,
  clockAt: (serverNow: Millis) => ServerClock,
  own: (device: string) => Promise<boolean> = () => Promise.resolve(true),
): Promise<AttemptSession> {
  const taken = await resume(keeping, transport).catch((error: unknown) => ({ error }));
  if (!('error' in taken)) {
    const session = await openByServer(taken, keeping, transport, clockAt);
    await own(session.name).catch(() => false);
    return session;
  }
  const { error } = taken;
  if (!isOutOfReach(error)) {
    // Over, or not this person's any more: nothing of it stays here.
    if (error instanceof ServerRefusal && ENDS.has(error.code))
      await Promise.allSettled([keeping.places.forget(), keeping.places.forgetFiles()]);
    throw error;
  }
  const session = await openByComputer(keeping, transport, clockAt).catch(() => null);
  if (!session) throw error;
  const isOwn = await own(session.name).catch(() => null);
  if (isOwn) return session;
  session.close();
  throw isOwn === false ? new OpenElsewhere() : error;
}

/** Without network, another page on this computer has the attempt. */
export class OpenElsewhere extends Error {
  constructor() {
    super('another page on this computer has the attempt');
    this.name = 'OpenElsewhere';
  }
}
