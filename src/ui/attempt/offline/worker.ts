import { clientsClaim, type WorkboxPlugin } from 'workbox-core';
import { registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';
import { CACHES, kindOf, type KeptKind } from './kinds';

/*
 * The service worker: answers for the server when that is out of reach, from what a page has kept (files.ts). It asks for nothing by itself
 * and keeps nothing of an attempt; what is asked of the server on purpose (saving, opening, handing in) it leaves alone.
 */

/** Time the server has to send a page before the kept one is shown. */
const PATIENCE_SECONDS = 5;

const matchOptions: CacheQueryOptions = { ignoreVary: true };
const of = (kind: KeptKind, mode?: RequestMode) => ({
  match: ({ url, request, sameOrigin }: { url: URL; request: Request; sameOrigin: boolean }) =>
    sameOrigin && kindOf(url) === kind && (mode === undefined || request.mode === mode),
});
/** Pages keep what is of an attempt, and forget it; never the worker. */
const keepsNothing: WorkboxPlugin = { cacheWillUpdate: () => Promise.resolve(null) };
/** A proxy before a server that is down answers too, and so does a server in trouble. */
const troubleIsNoAnswer: WorkboxPlugin = {
  fetchDidSucceed: ({ response }) =>
    response.status >= 500
      ? Promise.reject(new TypeError(`the server answered ${response.status}`))
      : Promise.resolve(response),
};

registerRoute(of('file').match, new CacheFirst({ cacheName: CACHES.file, matchOptions }));
registerRoute(
  of('picture').match,
  new CacheFirst({ cacheName: CACHES.picture, matchOptions, plugins: [keepsNothing] }),
);
registerRoute(
  of('page', 'navigate').match,
  new NetworkFirst({
    cacheName: CACHES.page,
    matchOptions,
    networkTimeoutSeconds: PATIENCE_SECONDS,
    plugins: [keepsNothing, troubleIsNoAnswer],
  }),
);

self.addEventListener('install', () => {
  void (self as unknown as { skipWaiting(): Promise<void> }).skipWaiting();
});
clientsClaim();
