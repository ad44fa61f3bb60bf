import { addRoute, cleanupOutdatedCaches, matchPrecache, type PrecacheEntry, precache } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { LOST_PAGE, pageFile } from './pageFile.ts';

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: readonly (PrecacheEntry | string)[] };

/** Files of the build before this one, for tabs that still run it. */
const PREVIOUS = 'cool-reel-previous-build';
/** What a person chose to keep: written and dropped by the page, only read here. */
const RECOGNISER = 'cool-reel-recogniser';
const MANIFEST = self.__WB_MANIFEST;

const isHashed = (path: string): boolean => path.startsWith('/_astro/');

/**
 * Keeps what the build before this one was made of: the precache drops it when this one takes over, and a tab that was
 * opened before would then ask for parts that are nowhere.
 */
async function keepPrevious(): Promise<void> {
  const own = new Set(
    MANIFEST.map((entry) => new URL(typeof entry === 'string' ? entry : entry.url, self.location.origin).href),
  );
  const precached = (await caches.keys()).find((name) => name.startsWith('workbox-precache'));
  const previous = await caches.open(PREVIOUS);
  const before = precached ? await caches.open(precached) : null;
  const left = ((await before?.keys()) ?? []).filter(({ url }) => isHashed(new URL(url).pathname) && !own.has(url));
  const leaving = new Set(left.map(({ url }) => url));
  for (const old of await previous.keys()) if (!leaving.has(old.url)) await previous.delete(old);
  for (const request of left) {
    const response = await before?.match(request);
    if (response) await previous.put(request, response);
  }
}

self.addEventListener('install', (event) => event.waitUntil(keepPrevious()));
// Nothing of this takes over by itself: a person says when.
self.addEventListener('message', (event) => {
  if ((event.data as { type?: unknown } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});

cleanupOutdatedCaches();
precache([...MANIFEST]);

const lost = async (): Promise<Response> => (await matchPrecache(LOST_PAGE)) ?? Response.error();

// A page opens at its address however that is written, with any query; the page itself reads the query.
registerRoute(
  new NavigationRoute(async ({ request, url }) => {
    const page = await matchPrecache(pageFile(url.pathname));
    if (page) return page;
    return fetch(request as Request).catch(lost);
  }),
);
addRoute({ ignoreURLParametersMatching: [/./], directoryIndex: '', cleanURLs: false });
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && isHashed(url.pathname),
  async ({ request }) => {
    const kept = await (await caches.open(PREVIOUS)).match(request);
    return kept ?? fetch(request);
  },
);
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/recogniser/'),
  async ({ request }) => {
    // Opening the cache would make it where nothing was kept.
    const kept = await caches.match(request, { cacheName: RECOGNISER });
    return kept ?? fetch(request);
  },
);
