import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { AttemptState } from '@/core/attempt/state';
import type { Millis } from '@/core/attempt/timing';
import type { Content } from '../session/transport';
import { forgetFiles } from './files';

/** Where a page stands in an attempt: with the journal, enough to go on from without asking the server. */
export interface Place {
  readonly device: string;
  /** The number of the last event that `state` holds; what was said after it is in the journal. */
  readonly upTo: number;
  /** The number up to which the server has what this page said. */
  readonly acknowledged: number;
  /** How far the page knows what others said. */
  readonly cursor: number;
  readonly state: AttemptState;
  /** The server's time when this was kept. */
  readonly serverNow: Millis;
  /** How far the server's clock is ahead of this computer's. */
  readonly ahead: Millis;
}
export interface Kept {
  readonly place: Place;
  readonly content: Content;
}

/** What this computer keeps of one attempt so that it can be opened again without network. */
export interface Places {
  /** @param content what may be seen there, where that has changed since it was last kept */
  keep(place: Place, content?: Content): Promise<void>;
  /** null where nothing was kept, or by a version of the app that kept it otherwise. */
  kept(): Promise<Kept | null>;
  /**
   * Forgets it.
   * @param device only where it is this page's: another page on this computer may have put its own there since
   * @returns whether nothing is kept any more
   */
  forget(device?: string): Promise<boolean>;
  /** Forgets what the attempt's page is made of. */
  forgetFiles(): Promise<void>;
}

/** Counts on when a place or a state gets another shape: what an older page kept is then not opened. */
const SHAPE = 2;

interface Schema extends DBSchema {
  places: { key: string; value: { shape: number; place: Place } };
  contents: { key: string; value: Content };
}
const STORES = ['places', 'contents'] as const;

const open = (): Promise<IDBPDatabase<Schema>> =>
  openDB<Schema>('able-compass-places', 1, {
    upgrade(database) {
      for (const store of STORES) database.createObjectStore(store);
    },
    blocking: (_current, _next, event) => (event.target as IDBDatabase).close(),
  });

export function openPlaces(attempt: string): Places {
  let opened: Promise<IDBPDatabase<Schema>> | null = null;
  const database = () => (opened ??= open());
  return {
    async keep(place, content) {
      const transaction = (await database()).transaction(STORES, 'readwrite', { durability: 'strict' });
      void transaction.objectStore('places').put({ shape: SHAPE, place }, attempt);
      if (content) void transaction.objectStore('contents').put(content, attempt);
      transaction.commit();
      await transaction.done;
    },
    async kept() {
      const transaction = (await database()).transaction(STORES);
      const [found, content] = await Promise.all([
        transaction.objectStore('places').get(attempt),
        transaction.objectStore('contents').get(attempt),
      ]);
      return found?.shape === SHAPE && content ? { place: found.place, content } : null;
    },
    async forget(device) {
      const transaction = (await database()).transaction(STORES, 'readwrite');
      const kept = await transaction.objectStore('places').get(attempt);
      if (device !== undefined && kept && kept.place.device !== device) return false;
      for (const store of STORES) void transaction.objectStore(store).delete(attempt);
      await transaction.done;
      return true;
    },
    forgetFiles: () => forgetFiles(attempt),
  };
}

/** Forgets the places of everybody: whoever sits down next sees nothing of who sat here before. */
export async function forgetEveryPlace(): Promise<void> {
  const database = await open();
  const transaction = database.transaction(STORES, 'readwrite');
  for (const store of STORES) void transaction.objectStore(store).clear();
  await transaction.done;
  database.close();
}

/** For a page of which nothing is kept: a sample, a warm-up. */
export const NO_PLACES: Places = {
  keep: () => Promise.resolve(),
  kept: () => Promise.resolve(null),
  forget: () => Promise.resolve(true),
  forgetFiles: () => Promise.resolve(),
};
