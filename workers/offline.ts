import {
  ExpirationPlugin,
  NetworkFirst,
  NetworkOnly,
  Serwist,
  type PrecacheEntry,
  type SerwistPlugin,
} from 'serwist';

/** What the page tells this worker. */
export type OfflineAsked = { readonly keep: readonly string[] } | { readonly forget: true };

/** What of a service worker's scope is used here. */
interface Scope {
  readonly __SW_MANIFEST: (PrecacheEntry | string)[];
  readonly location: Location;
  addEventListener(
    name: 'message',
    listener: (event: MessageEvent<OfflineAsked> & { waitUntil(work: Promise<unknown>): void }) => void,
  ): void;
  addEventListener(
    name: 'fetch',
    listener: (
      event: Event & { readonly request: Request; respondWith(answer: Promise<Response>): void },
    ) => void,
  ): void;
  addEventListener(
    name: 'activate',
    listener: (event: { waitUntil(work: Promise<unknown>): void }) => void,
  ): void;
}
declare const self: Scope;
/** Of the build that this belongs to: pages of another one need files that are gone. */
declare const BUILD_ID: string;

const PAGES = `lattice-pages-${BUILD_ID}`;
/** A slow network is no network: a kept page is shown then. */
const PATIENCE_S = 3;
const MOST_PAGES = 120;
const DAYS_KEPT = 4;
/** A page that is younger than this need not be fetched again, ms. */
const FRESH_MS = 10 * 60_000;
const AT_ONCE = 2;

/**
 * Pages that are kept on the device. Everything that signs in or out, or hands a file over, is the server's
 * alone.
 */
const KEPT =
  /^\/(chair|clients|day|house|me|visits\/[^/]+\/(consult|pattern|wear|mix|clock|record))(\/(?!.*\.)[^.]*)?$/;

/** Every step of a visit is drawn by the same page, and so is every service at the chair. */
function keyOf(address: string): string {
  const url = new URL(address, self.location.origin);
  const visit = /^\/visits\/[^/]+/.exec(url.pathname);
  if (visit) return `${url.origin}${visit[0]}`;
  return url.pathname === '/chair' ? `${url.origin}/chair` : `${url.origin}${url.pathname}${url.search}`;
}

/** A page that leads to signing in is not the page; a server that cannot answer is as good as none. */
const plain: SerwistPlugin = {
  cacheKeyWillBeUsed: async ({ request }) => keyOf(request.url),
  cacheWillUpdate: async ({ response }) => (response.ok && !response.redirected ? response : null),
  fetchDidSucceed: async ({ response }) => {
    if ([502, 503, 504].includes(response.status))
      throw new Error(`The server answered with ${response.status}.`);
    return response;
  },
};

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true },
  skipWaiting: true,
  clientsClaim: true,
  disableDevLogs: true,
  runtimeCaching: [
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && KEPT.test(url.pathname),
      handler: new NetworkFirst({
        cacheName: PAGES,
        networkTimeoutSeconds: PATIENCE_S,
        plugins: [plain, new ExpirationPlugin({ maxEntries: MOST_PAGES, maxAgeSeconds: DAYS_KEPT * 86_400 })],
      }),
    },
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && !url.pathname.startsWith('/p/'),
      handler: new NetworkOnly(),
    },
  ],
  fallbacks: { entries: [{ url: '/offline', matcher: ({ request }) => request.mode === 'navigate' }] },
});
self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return;
  event.stopImmediatePropagation();
  event.respondWith(workerScript(event.request));
});
serwist.addEventListeners();

/**
 * A worker finds what it is to run behind the # of its address, which only an answer without an address of
 * its own leaves there.
 */
async function workerScript(request: Request): Promise<Response> {
  const { origin, pathname } = new URL(request.url);
  const response = (await serwist.matchPrecache(`${origin}${pathname}`)) ?? (await fetch(request));
  return new Response(response.body, { status: response.status, headers: response.headers });
}

self.addEventListener('activate', (event) => event.waitUntil(forgetPages((name) => name !== PAGES)));
self.addEventListener('message', (event) => {
  const asked = event.data;
  if ('forget' in asked)
    event.waitUntil(forgetPages(() => true).then(() => event.ports[0]?.postMessage('forgotten')));
  else if (Array.isArray(asked.keep))
    event.waitUntil(keepPages(asked.keep).then(() => event.ports[0]?.postMessage('kept')));
});

async function forgetPages(which: (name: string) => boolean): Promise<void> {
  for (const name of await caches.keys())
    if (/^lattice-(pages|chair)-/.test(name) && which(name)) await caches.delete(name);
}

/** Fetches pages that are not kept yet, or long since, a few at a time. */
async function keepPages(addresses: readonly string[]): Promise<void> {
  const cache = await caches.open(PAGES);
  const waiting = [...addresses];
  const next = async () => {
    for (let address = waiting.shift(); address !== undefined; address = waiting.shift()) {
      const kept = await cache.match(keyOf(address));
      if (kept && Date.now() - Date.parse(kept.headers.get('date') ?? '') < FRESH_MS) continue;
      const response = await fetch(address, {
        credentials: 'same-origin',
        headers: { Accept: 'text/html' },
      }).catch(() => undefined);
      if (response?.ok && !response.redirected) await cache.put(keyOf(address), response);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, next));
}
