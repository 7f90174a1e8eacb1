// Chair opens and reloads without a network: its page and what the page is made of are kept on the device.
const CACHE = 'lattice-chair-1';
const PAGE = '/chair';
/** A slow network is no network: the kept page is shown then. */
const PATIENCE_MS = 3000;

self.addEventListener('install', (event) => {
  event.waitUntil(self.skipWaiting());
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (name !== CACHE) await caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

// The page names what it was made of before this worker was there.
self.addEventListener('message', (event) => {
  if (!Array.isArray(event.data?.keep)) return;
  event.waitUntil(
    (async () => {
      const cache = await caches.open(CACHE);
      for (const url of event.data.keep) {
        if (!(await cache.match(url, { ignoreSearch: url === PAGE }))) await cache.add(url).catch(() => undefined);
      }
      event.ports[0]?.postMessage('kept');
    })(),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate' && url.pathname === PAGE) event.respondWith(page(request));
  else if (url.pathname.startsWith('/_next/static/')) event.respondWith(part(request));
});

async function page(request) {
  const cache = await caches.open(CACHE);
  const kept = await cache.match(PAGE, { ignoreSearch: true });
  try {
    const response = await Promise.race([
      fetch(request),
      new Promise((_, reject) => setTimeout(() => reject(new Error('slow')), kept ? PATIENCE_MS : 60_000)),
    ]);
    // A page that leads to signing in is not the page.
    if (response.ok && !response.redirected) await cache.put(PAGE, response.clone());
    else if (response.status >= 500 && kept) return kept;
    return response;
  } catch (error) {
    if (kept) return kept;
    throw error;
  }
}

async function part(request) {
  const cache = await caches.open(CACHE);
  const kept = await cache.match(request);
  if (kept) return kept;
  const response = await fetch(request);
  if (response.ok) await cache.put(request, response.clone());
  return response;
}
