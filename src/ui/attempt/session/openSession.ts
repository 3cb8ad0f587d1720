import type { BrowserEvent } from '@/core/attempt/events';
import { emptied, firstBatch, isEmptied } from './batches';
import type { ServerClock } from './clock';
import type { Journal } from './journal';
import { AttemptSession } from './session';
import { ServerRefusal, type Transport } from './transport';

/**
 * Sends what an earlier page left behind; one event the server will not take goes emptied, the rest as it is.
 * @returns what the server does not know that page for any more, to be said again by the next
 */
async function sendKept(
  earlier: string,
  events: readonly BrowserEvent[],
  journal: Journal,
  transport: Transport,
): Promise<readonly BrowserEvent[]> {
  let left = events;
  let most: number | undefined;
  while (left.length > 0) {
    const batch = firstBatch(left, most);
    try {
      const saved = await transport.save(earlier, batch, Number.MAX_SAFE_INTEGER);
      await journal.forget(earlier, saved.acknowledged);
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

/**
 * Opens an attempt in this page: first whatever an earlier page on this computer could not send is sent, then the attempt is
 * resumed here, and what it shows is fetched.
 */
export async function openSession(
  journal: Journal,
  transport: Transport,
  makeClock: (serverNow: number) => ServerClock,
): Promise<AttemptSession> {
  const kept = await journal.kept().catch(() => new Map<string, readonly BrowserEvent[]>());
  const again: BrowserEvent[] = [];
  for (const [earlier, events] of kept) again.push(...(await sendKept(earlier, events, journal, transport)));
  const resumed = await transport.resume();
  const content = await transport.content();
  const session = new AttemptSession(resumed, content, makeClock(resumed.serverNow), journal, transport);
  for (const { device: _device, seq: _seq, at: _at, ...action } of again) session.dispatch(action);
  for (const { device } of again) await journal.forget(device, Infinity).catch(() => undefined);
  return session;
}
