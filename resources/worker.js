// Keeps the athlete's side on the phone, so that it opens without reception. Answers of the server are not kept here:
// the page keeps the plan and what waits to be sent by itself.
const CACHE = 'rung-__VERSION__';
const FILES = __FILES__;
const PAGE = '/athlete';

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches.open(CACHE)
      .then((cache) => cache.addAll([PAGE, ...FILES]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches.keys()
      // The one before stays: a page that is still open may ask for a part of it.
      .then((keys) => Promise.all(keys.filter((key) => key.startsWith('rung-') && key !== CACHE).slice(0, -1).map((key) => caches.delete(key))))
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const address = new URL(request.url);
  if (request.method !== 'GET' || address.origin !== self.location.origin || address.pathname.startsWith('/api/') || address.pathname.startsWith('/calendar/')) return;
  if (request.mode === 'navigate') {
    if (address.pathname !== PAGE && !address.pathname.startsWith(`${PAGE}/`)) return;
    // The newest page where there is reception, the kept one where there is none or it takes too long.
    const kept = () => caches.match(PAGE, { cacheName: CACHE }).then((page) => page ?? Response.error());
    const late = new Promise((resolve) => { setTimeout(() => { kept().then(resolve); }, 3000); });
    const newest = fetch(request).then((page) => (page.ok ? page : kept())).catch(kept);
    event.respondWith(Promise.race([newest, late]));
    return;
  }
  event.respondWith(caches.match(request).then((found) => found ?? fetch(request)));
});

// A real push service wakes the worker with what is to be shown; the simulated one is asked by the page.
self.addEventListener('push', (event) => {
  const told = event.data?.json() ?? {};
  event.waitUntil(self.registration.showNotification('Rung', { body: told.words ?? '', tag: told.kind, icon: '/icon-192.png', data: { open: PAGE } }));
});

self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const open = event.notification.data?.open ?? PAGE;
  event.waitUntil(
    self.clients.matchAll({ type: 'window', includeUncontrolled: true }).then((pages) => {
      const page = pages.find((one) => new URL(one.url).pathname.startsWith(PAGE));
      return page === undefined ? self.clients.openWindow(open) : page.focus();
    }),
  );
});
