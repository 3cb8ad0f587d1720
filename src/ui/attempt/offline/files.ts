import { CACHES, isOfAttempt, kindOf } from './kinds';

/** Where the worker comes from (scripts/bundle.mjs). */
const WORKER = '/service-worker.js';

/** Whether this browser can answer for the server at all: only where the address is a safe one. */
const canKeep = (): boolean =>
  typeof navigator !== 'undefined' && 'serviceWorker' in navigator && 'caches' in globalThis;

/** What the browser remembers of what a page has loaded: by itself no more than the first 250. */
export function rememberLoaded(): void {
  if (canKeep()) performance.setResourceTimingBufferSize(5_000);
}

/** Has the worker answer for this page from now on. */
export async function startWorker(): Promise<void> {
  if (!canKeep()) return;
  await navigator.serviceWorker.register(WORKER, { scope: '/', updateViaCache: 'none' });
}

async function keep(cacheName: string, addresses: readonly string[], anew = false): Promise<void> {
  const cache = await caches.open(cacheName);
  await Promise.all(
    addresses.map(async (address) => {
      const isKept = (await cache.match(address, { ignoreVary: true })) !== undefined;
      if (isKept && !anew) return;
      const response = await fetch(address).catch((reason: unknown) => {
        // Out of reach: what is kept is as good as it was.
        if (isKept) return null;
        throw reason;
      });
      if (!response) return;
      // Sent somewhere else (signed out): that is not the page.
      if (!response.ok || response.redirected) throw new TypeError(`${address}: ${response.status}`);
      await cache.put(address, response);
    }),
  );
}

/**
 * Keeps on this computer what an attempt's page is made of: the page, what it has loaded so far, the pictures of its test.
 * @returns whether all of it is kept, so that the page can be loaded again without network
 */
export async function keepFiles(attemptId: string, pictures: readonly string[]): Promise<boolean> {
  if (!canKeep()) return false;
  try {
    await navigator.serviceWorker.ready;
    const loaded = performance
      .getEntriesByType('resource')
      .map(({ name }) => new URL(name))
      .filter((url) => url.origin === location.origin && kindOf(url) === 'file')
      .map(({ href }) => href);
    await keep(CACHES.file, [...new Set(loaded)]);
    await keep(CACHES.picture, pictures);
    await keep(CACHES.page, [`/attempts/${attemptId}`], true);
    return true;
  } catch {
    return false;
  }
}

/** Forgets what is kept of one attempt; or of all, and the app's own files, of which every new version leaves some behind. */
export async function forgetFiles(attemptId?: string): Promise<void> {
  if (!canKeep()) return;
  if (attemptId === undefined) {
    await Promise.all(Object.values(CACHES).map((name) => caches.delete(name)));
    return;
  }
  const cache = await caches.open(CACHES.page);
  const kept = await cache.keys();
  await Promise.all(
    kept.filter(({ url }) => isOfAttempt(new URL(url), attemptId)).map((request) => cache.delete(request)),
  );
}
