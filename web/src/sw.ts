/// <reference lib="webworker" />
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { KEPT_HEADER, READ_CACHE } from './offline.ts';

declare const self: ServiceWorkerGlobalScope;
/** Put here by the build: every file of the interface. */
declare const __FILES__: { url: string; revision: string | null }[];

/** A server that has not answered by then does not answer. */
const PATIENCE_S = 6;
/** What only makes sense from the server itself: streams, files to keep, who is signed in. */
const ALIVE_ONLY = /^\/api\/(events|backup|copies|tables|imports|door|devices|docs|health)/;

precacheAndRoute(__FILES__);
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }),
);

/** What was read last is read again when the server is away, and says from when it is. */
registerRoute(
  ({ url, request, sameOrigin }) =>
    sameOrigin &&
    request.method === 'GET' &&
    url.pathname.startsWith('/api/') &&
    !ALIVE_ONLY.test(url.pathname),
  new NetworkFirst({
    cacheName: READ_CACHE,
    networkTimeoutSeconds: PATIENCE_S,
    plugins: [
      {
        cacheWillUpdate: ({ response }) =>
          Promise.resolve(response.status === 200 ? response : null),
        cachedResponseWillBeUsed: ({ cachedResponse }) =>
          Promise.resolve(cachedResponse ? fromKept(cachedResponse) : null),
      },
    ],
  }),
);

function fromKept(response: Response): Response {
  const headers = new Headers(response.headers);
  headers.set(KEPT_HEADER, headers.get('Date') ?? new Date(0).toUTCString());
  return new Response(response.body, { status: response.status, headers });
}

// A newer version waits until it is asked for: pages that are open have their own files.
self.addEventListener('message', (event) => {
  if (event.data === 'takeOver') void self.skipWaiting();
});
