/*
 * Keeps the page of a home sheet and what it is made of, so that it opens again without a network. The network comes
 * first for the page itself; parts that carry their version in their name are taken from here.
 */
const STORE = "bexlo-home-1";

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

// what a page names when it is open: itself and what it was made of
self.addEventListener("message", (event) => {
  const urls = (event.data?.keep ?? []).filter((url) => {
    const { origin, pathname } = new URL(url);
    return origin === self.location.origin && /^\/(h|_next\/static)\//.test(pathname);
  });
  event.waitUntil(
    caches.open(STORE).then((store) => Promise.allSettled(urls.map((url) => store.add(url)))),
  );
});

const keep = async (request, response) => {
  if (response.ok) await (await caches.open(STORE)).put(request, response.clone());
  return response;
};

const fresh = async (request) => {
  try {
    return await keep(request, await fetch(request));
  } catch (error) {
    const kept = await caches.match(request, { ignoreSearch: true, ignoreVary: true });
    if (kept) return kept;
    throw error;
  }
};

const kept = async (request) => (await caches.match(request)) ?? keep(request, await fetch(request));

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  if (request.mode === "navigate") event.respondWith(fresh(request));
  else if (pathname.startsWith("/_next/static/")) event.respondWith(kept(request));
});
