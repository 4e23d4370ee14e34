/**
 * Keeps what a stage page is made of, so that it opens again with no network. What is said on stage is not its business: the
 * page keeps that itself, and no answer of the program's own routes is ever kept here.
 */
const STORE = "lantern-stage-1";
/** A page is asked of the network first; a network that says nothing is not waited for longer, ms. */
const LONGEST_WAIT = 2500;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

self.addEventListener("message", (event) => {
  const { keep } = event.data ?? {};
  if (Array.isArray(keep)) event.waitUntil(keepAll(keep));
});

async function keepAll(places) {
  const store = await caches.open(STORE);
  for (const place of places) {
    const isPage = place.startsWith("/live/");
    if (!isPage && (await store.match(place))) continue;
    const answer = await fetch(place, { cache: isPage ? "no-store" : "default" }).catch(() => null);
    if (answer?.ok && !answer.redirected) await store.put(place, answer);
  }
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin || pathname.startsWith("/api/")) return;
  if (request.mode === "navigate") event.respondWith(page(request, pathname));
  else if (pathname.startsWith("/_next/static/") || /^\/(?:icon\.svg|lit\.\w+)$/.test(pathname))
    event.respondWith(file(request));
});

async function page(request, pathname) {
  const store = await caches.open(STORE);
  const late = new Promise((resolve) => setTimeout(resolve, LONGEST_WAIT, null));
  const answer = await Promise.race([fetch(request).catch(() => null), late]);
  if (answer) {
    if (answer.ok && !answer.redirected) await store.put(pathname, answer.clone());
    return answer;
  }
  const kept = await store.match(pathname);
  return kept ? fresh(kept) : fetch(request);
}

async function file(request) {
  const store = await caches.open(STORE);
  const kept = await store.match(request, { ignoreSearch: true });
  if (kept) return fresh(kept);
  const answer = await fetch(request);
  if (answer.ok && answer.status === 200) await store.put(request, answer.clone());
  return answer;
}

/** A kept answer without where it came from: scripts of workers are refused with it. */
const fresh = (kept) => new Response(kept.body, { status: kept.status, headers: kept.headers });
