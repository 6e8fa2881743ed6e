/**
 * Keeps pages that were opened before, so that a design can be read, ticked and measured where no server can be reached. The network comes
 * first for pages; what never changes under its address, scripts, fonts and photos, is kept. Data is never answered from here: edits made
 * meanwhile wait in the page's own store.
 */
const PAGES = 'vine-knot-pages';
const STILL = 'vine-knot-still';
/** A server that has not answered a page so long is taken to be out of reach, ms. */
const LATE_MS = 4000;
const MOST_PAGES = 60;
const MOST_STILL = 600;

const isStill = ({ pathname }) => pathname.startsWith('/_next/static/') || /^\/api\/designs\/[^/]+\/photos\//.test(pathname);
const isPage = ({ pathname }) => pathname === '/' || /^\/(d|handbook)(\/|$)/.test(pathname);

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  // Who leaves a server with a password leaves nothing to read behind.
  if (request.method === 'POST' && url.pathname === '/api/leave') event.waitUntil(forget());
  if (request.method !== 'GET') return;
  if (isStill(url)) event.respondWith(still(request));
  else if (request.mode === 'navigate' && isPage(url)) event.respondWith(page(event, request));
});

/** A page tells which pages of its design to keep, and with them all that pages are made of. */
self.addEventListener('message', (event) => {
  const { pages = [] } = event.data ?? {};
  event.waitUntil(keepAll(pages).then((kept) => event.source?.postMessage({ kept })));
});

async function still(request) {
  const cache = await caches.open(STILL);
  const known = await cache.match(request);
  if (known) return unnamed(known);
  const answer = await fetch(request);
  if (answer.ok) await put(cache, request, answer.clone(), MOST_STILL);
  return unnamed(answer);
}

/** An answer without an address of its own: a worker's script is then known by the one it was asked for, with what stands behind its #. */
function unnamed({ body, status, statusText, headers }) {
  return new Response(body, { status, statusText, headers });
}

async function page(event, request) {
  const fresh = fetch(request).then((answer) => {
    if (answer.ok && !answer.redirected) event.waitUntil(keepPage(request.url, answer.clone()));
    return answer;
  });
  const known = await (await caches.open(PAGES)).match(request.url, { ignoreSearch: true });
  if (!known) return fresh.catch(away);
  const late = new Promise((resolve) => setTimeout(() => resolve(known), LATE_MS));
  return Promise.race([fresh.catch(() => known), late]);
}

/** What is shown where a page that is not kept is asked for without a connection. */
function away() {
  const body = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>No connection · Vine Knot</title><style>body { max-width: 560px; margin: 90px auto; padding: 0 24px; font: 16px/1.5 sans-serif }</style>
<h1>No connection</h1><p>This page was not opened here before, so it is not kept. Go back to the one you came from: what you changed there waits,
and is sent once there is a connection.</p></html>`;
  const headers = {
    'content-type': 'text/html; charset=utf-8',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
  };
  return new Response(body, { status: 503, headers });
}

/** Whether all of it is kept. */
async function keepAll(pages) {
  const made = await fetch('/api/made')
    .then((answer) => (answer.ok ? answer.json() : null))
    .catch(() => null);
  if (!made) return false;
  const cache = await caches.open(STILL);
  const known = new Set((await cache.keys()).map(({ url }) => url));
  for (const address of made) {
    const { href } = new URL(address, self.location.origin);
    if (known.has(href)) continue;
    const answer = await fetch(href).catch(() => null);
    if (!answer?.ok) return false;
    await cache.put(href, answer);
  }
  await trim(cache, MOST_STILL);
  for (const address of pages) {
    const url = new URL(address, self.location.origin);
    if (url.origin !== self.location.origin || !isPage(url)) continue;
    const answer = await fetch(url.href).catch(() => null);
    if (!answer) return false;
    if (answer.ok && !answer.redirected) await keepPage(url.href, answer);
  }
  return true;
}

async function keepPage(address, answer) {
  await put(await caches.open(PAGES), address.split(/[?#]/)[0], answer, MOST_PAGES);
}

/** Keeps an answer, and lets the oldest go where there are too many. */
async function put(cache, key, answer, most) {
  await cache.put(key, answer);
  await trim(cache, most);
}

async function trim(cache, most) {
  const keys = await cache.keys();
  for (const old of keys.slice(0, Math.max(0, keys.length - most))) await cache.delete(old);
}

async function forget() {
  await Promise.all([caches.delete(PAGES), caches.delete(STILL)]);
}
