// Starts the card's worker in a browser.

import { answerOf, keep } from "./card-worker";

interface Extendable extends Event {
  waitUntil(p: Promise<unknown>): void;
}
interface Fetching extends Extendable {
  request: Request;
  respondWith(p: Promise<Response>): void;
}
interface Told extends Extendable {
  data: unknown;
}
interface Self {
  addEventListener(type: string, on: (e: never) => void): void;
  skipWaiting(): Promise<void>;
  clients: { claim(): Promise<void> };
  location: Location;
  caches: CacheStorage;
  fetch: typeof fetch;
}

const me = globalThis as unknown as Self;
const scope = { caches: me.caches, fetch: (r: Request) => me.fetch(r) };

me.addEventListener("install", (e: Extendable) => e.waitUntil(me.skipWaiting()));
me.addEventListener("activate", (e: Extendable) => e.waitUntil(me.clients.claim()));
me.addEventListener("fetch", (e: Fetching) => {
  const answer = answerOf(scope, e.request, me.location.origin);
  if (answer) e.respondWith(answer);
});
me.addEventListener("message", (e: Told) => {
  const urls = (e.data as { keep?: unknown } | null)?.keep;
  if (Array.isArray(urls)) e.waitUntil(keep(scope, urls.map(String), me.location.origin));
});
