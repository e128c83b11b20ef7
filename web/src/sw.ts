/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope;
declare const __SHELL__: { url: string; revision: string | null }[];

/** The shell alone: what is in a garden is kept by the page, and goes with signing out. */
precacheAndRoute(__SHELL__);
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/'), { denylist: [/^\/(api|static|healthz)/] }),
);
clientsClaim();

// a new version waits until somebody takes it
self.addEventListener('message', (event) => {
  if (event.data === 'take over') void self.skipWaiting();
});
