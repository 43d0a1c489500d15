/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | PrecacheEntry)[] };

/**
 * The renter's face works without signal after one visit: its own files are kept, and the file that holds
 * the walk, for those who walk alone. What it knows of a
 * hire lies in IndexedDB, in a store of that hire's own.
 */
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { allowlist: [/^\/r(\/|$)/] }));
clientsClaim();
