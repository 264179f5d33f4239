/*
 * Without the server: the application itself, and what this device has seen. What is asked for comes from the server while it
 * answers; where it does not, what was seen last is shown, and the page is told from when that is. Nothing is sent from here:
 * what was pressed waits in the page (trimmer/outbox.ts). ASSETS and VERSION are set in when it is built (first-view.mjs).
 */
const ASSETS = 'ASSETS';
const SHELL = 'temnex-shell-VERSION';
const SEEN = 'temnex-seen';
/** Longer than this nobody waits for a page that is here already, in milliseconds. */
const PATIENCE = 2500;
/** Of these nothing is kept: they go on for long, are files to be saved, or are true of now alone. */
const NEVER = /\/stream$|\/rest$|\/backup\/|\.pdf$|^\/api\/(?:devices|health|openapi)/;

addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(SHELL)
      .then((cache) => cache.addAll(['/index.html', ...ASSETS]))
      .then(() => skipWaiting()),
  );
});

addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter((n) => n.startsWith('temnex-shell-') && n !== SHELL).map((n) => caches.delete(n))),
      )
      .then(() => clients.claim()),
  );
});

addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname, search } = new URL(request.url);
  if (request.method !== 'GET' || origin !== location.origin) return;
  if (pathname.startsWith('/assets/')) return event.respondWith(asset(request));
  if (request.mode === 'navigate') return event.respondWith(page(request));
  if (!pathname.startsWith('/api/') || NEVER.test(pathname)) return;
  // of the drawer what has changed is nothing by itself
  if (/[?&]since=/.test(search)) return;
  event.respondWith(/^\/api\/(pictures|photos\/files)\//.test(pathname) ? picture(request) : data(event));
});

async function asset(request) {
  return (await caches.match(request)) ?? fetch(request);
}

async function page(request) {
  const late = new Promise((resolve) => setTimeout(resolve, PATIENCE));
  const answer = fetch(request).catch(() => undefined);
  return (await Promise.race([answer, late])) ?? (await caches.match('/index.html')) ?? answer.then(orGone);
}

/** A picture never changes. */
async function picture(request) {
  const kept = await caches.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await (await caches.open(SEEN)).put(request, answer.clone());
  return answer;
}

async function data(event) {
  const { request } = event;
  const cache = await caches.open(SEEN);
  try {
    const answer = await fetch(request);
    if (answer.ok) event.waitUntil(cache.put(request, answer.clone()));
    // a device that was shown the door keeps nothing of what it has seen
    else if (answer.status === 401) event.waitUntil(caches.delete(SEEN));
    return answer;
  } catch (error) {
    const kept = await cache.match(request);
    if (!kept) throw error;
    const headers = new Headers(kept.headers);
    new BroadcastChannel('temnex-seen').postMessage({ from: headers.get('date') });
    // whoever asked can tell it from an answer of now
    headers.set('x-temnex-seen', 'before');
    return new Response(kept.body, { status: kept.status, headers });
  }
}

const orGone = (answer) => answer ?? Response.error();
