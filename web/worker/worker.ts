import { clientsClaim } from 'workbox-core';
import { matchPrecache, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import * as z from 'zod/mini';

/*
 * Keeps the athlete's side on the phone, so that it opens without reception. Answers of the server are not kept here:
 * the page keeps the plan and what waits to be sent by itself.
 *
 * A new version waits until no page of the version before is open, since an open page may still load a part of it.
 */
declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[] };

const PAGE = '/athlete';

const PUSH = z.catch(z.object({ words: z.string(), kind: z.string() }), { words: '', kind: '' });
const SHOWN = z.catch(z.object({ open: z.string() }), { open: PAGE });

/** How long the newest page is waited for where there is hardly any reception. */
const PATIENCE_MS = 3000;

const kept = async (): Promise<Response> => (await matchPrecache(PAGE)) ?? Response.error();

/** The newest page where there is reception, the kept one where there is none or it takes too long. */
async function pageFor(request: Request): Promise<Response> {
  const newest = fetch(request).then(
    (page) => (page.ok ? page : kept()),
    () => kept(),
  );
  const late = new Promise<void>((go) => {
    setTimeout(go, PATIENCE_MS);
  });
  return Promise.race([newest, late.then(kept)]);
}

registerRoute(new NavigationRoute(({ request }) => pageFor(request), { allowlist: [/^\/athlete(?:[/?]|$)/] }));
precacheAndRoute(self.__WB_MANIFEST, { cleanURLs: false, directoryIndex: '' });
clientsClaim();

// What the worker of earlier releases kept.
self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter((name) => name.startsWith('rung-')).map((name) => caches.delete(name))),
      ),
  );
});

// A real push service wakes the worker with what is to be shown; the simulated one is asked by the page.
self.addEventListener('push', (event) => {
  const { words, kind } = PUSH.parse(event.data?.json());
  event.waitUntil(
    self.registration.showNotification('Rung', { body: words, tag: kind, icon: '/icon-192.png', data: { open: PAGE } }),
  );
});

self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  event.waitUntil(openPage(SHOWN.parse(event.notification.data).open));
});

async function openPage(address: string): Promise<void> {
  const pages = await self.clients.matchAll({ type: 'window', includeUncontrolled: true });
  const open = pages.find((page) => new URL(page.url).pathname.startsWith(PAGE));
  await (open === undefined ? self.clients.openWindow(address) : open.focus());
}
