/// <reference lib="webworker" />
import {
  NetworkFirst,
  Serwist,
  type PrecacheEntry,
  type RouteHandlerCallback,
  type SerwistPlugin,
} from 'serwist';

// The service worker: after the first load all steps of the work open without the server. Bundled by
// scripts/build-offline.mjs, which puts the list of files in.

declare const self: ServiceWorkerGlobalScope;
declare const __FILES: readonly PrecacheEntry[];
declare const __BUILD: string;
declare const __PAGES: readonly string[];

const PAYLOADS = `candelum-payloads-${__BUILD}`;

/**
 * An answer from the cache as a new one: a worker whose script comes with the address it was stored under loses
 * what the bundler has put behind the #.
 */
const afresh: SerwistPlugin = {
  cachedResponseWillBeUsed: async ({ cachedResponse }) => {
    if (!cachedResponse) return cachedResponse;
    const { status, statusText, headers } = cachedResponse;
    return new Response(cachedResponse.body, { status, statusText, headers });
  },
};

const serwist = new Serwist({
  precacheEntries: [...__FILES, ...__PAGES.map((url) => ({ url, revision: __BUILD }))],
  precacheOptions: { plugins: [afresh], cleanURLs: false, ignoreURLParametersMatching: [] },
  // A newer one waits until the user says so.
  skipWaiting: false,
  clientsClaim: true,
});

const pageOf = ({ pathname }: URL): string => (pathname === '/' ? '/' : pathname.replace(/\/$/, ''));

/** A page from the server while it answers, so that its policy is new each time; else the one that was kept. */
const fresh = new NetworkFirst({
  cacheName: 'candelum-never',
  networkTimeoutSeconds: 4,
  plugins: [{ cacheWillUpdate: async () => null }],
});
const page: RouteHandlerCallback = async (options) => {
  try {
    return await fresh.handle(options);
  } catch (error) {
    const kept = await serwist.matchPrecache(pageOf(options.url));
    if (kept) return kept;
    throw error;
  }
};

/** What is asked for on the way from one step to another. What the address says besides is read by the page. */
const payload: RouteHandlerCallback = async ({ request, url }) => {
  try {
    return await fetch(request);
  } catch (error) {
    const kept = await (await caches.open(PAYLOADS)).match(pageOf(url), { ignoreVary: true });
    // A prefetch that finds nothing is asked for again when it is needed.
    if (kept && !request.headers.has('next-router-segment-prefetch')) return kept;
    throw error;
  }
};

serwist.registerCapture(({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate', page);
serwist.registerCapture(
  ({ request, sameOrigin }) => sameOrigin && request.headers.get('rsc') === '1',
  payload,
);

const keepPayloads = async () => {
  const cache = await caches.open(PAYLOADS);
  await Promise.all(
    __PAGES.map(async (path) => {
      const answer = await fetch(path, { headers: { RSC: '1' } });
      if (answer.ok) await cache.put(path, answer);
    }),
  );
};

self.addEventListener('install', (event) => event.waitUntil(keepPayloads()));
self.addEventListener('activate', (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(
          names
            .filter((name) => name.startsWith('candelum-payloads-') && name !== PAYLOADS)
            .map((name) => caches.delete(name)),
        ),
      ),
  ),
);
self.addEventListener('message', ({ data }) => {
  if (data === 'take over') void self.skipWaiting();
});

serwist.addEventListeners();
