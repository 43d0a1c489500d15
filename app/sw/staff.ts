/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | PrecacheEntry)[] };

/**
 * The staff's face works without signal after one visit: every built file is kept, every page is the app. What the app
 * knows lies in IndexedDB, so nothing under /api is ever answered from a cache.
 *
 * A new version installs beside the old one and takes over at the next opening; old files stay on the server for
 * thirty days, so a walk that is open goes on with what it began with.
 */
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//, /^\/r\//] }));
clientsClaim();
