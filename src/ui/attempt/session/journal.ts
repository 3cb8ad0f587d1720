import { openDB, type IDBPDatabase } from 'idb';
import type { BrowserEvent } from '@/core/attempt/events';

/** What the browser keeps of an attempt until the server has it. */
export interface Journal {
  /** Keeps events. Resolves when they are on this computer. */
  append(events: readonly BrowserEvent[]): Promise<void>;
  /** Forgets a device's events up to a number: the server has them. */
  forget(device: string, upTo: number): Promise<void>;
  /** Everything still kept for this attempt, by device, in order. */
  kept(): Promise<ReadonlyMap<string, readonly BrowserEvent[]>>;
}

const DATABASE = 'able-compass';
const STORE = 'journal';

function open(): Promise<IDBPDatabase> {
  return openDB(DATABASE, 1, {
    upgrade(database) {
      database.createObjectStore(STORE, { keyPath: ['attempt', 'device', 'seq'] });
    },
  });
}

/** The journal in IndexedDB, one per attempt. Every write is its own transaction, durable before it resolves. */
export function openJournal(attempt: string): Journal {
  const database = open();
  const all = (device: string, upTo = Infinity) =>
    IDBKeyRange.bound(
      [attempt, device, 0],
      [attempt, device, upTo === Infinity ? Number.MAX_SAFE_INTEGER : upTo],
    );
  return {
    async append(events) {
      const transaction = (await database).transaction(STORE, 'readwrite', { durability: 'strict' });
      for (const event of events)
        void transaction.store.put({ attempt, device: event.device, seq: event.seq, event });
      // Not when the page hears that it was written: it may be gone by then.
      transaction.commit();
      await transaction.done;
    },
    async forget(device, upTo) {
      await (await database).delete(STORE, all(device, upTo));
    },
    async kept() {
      const rows = (await (
        await database
      ).getAll(STORE, IDBKeyRange.bound([attempt, '', 0], [attempt, '\uffff', Number.MAX_SAFE_INTEGER]))) as {
        device: string;
        event: BrowserEvent;
      }[];
      const byDevice = new Map<string, BrowserEvent[]>();
      for (const { device, event } of rows) byDevice.set(device, [...(byDevice.get(device) ?? []), event]);
      return byDevice;
    },
  };
}
