// In the fitter's browser, beside the card: a card that was opened once is still there without a network. Nothing else is kept.
// What a phone keeps goes with the sign-out, and as soon as the server no longer knows the session.

export interface Scope {
  caches: CacheStorage;
  fetch(request: Request): Promise<Response>;
}

export const CARDS = "wide-lane-cards";
const PIECES = "wide-lane-pieces";
/** So many cards are kept, the newest; pieces of the program go when none of a start is asked for any more. */
const MOST_CARDS = 30;
const MOST_PIECES = 200;

const NOTHING = `<!doctype html><html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>No network · Wide Lane</title></head><body><main><h1>No network</h1><p>This card was not opened on this phone before, so it can't be shown
without a network. <a href="/card">Open the last card</a></p></main></body></html>`;

const offline = () => new Response(NOTHING, { status: 503, headers: { "Content-Type": "text/html; charset=utf-8" } });

const isCard = (url: URL) => url.pathname === "/card";
const isPiece = (url: URL) => url.pathname.startsWith("/_next/static/");

async function trim(cache: Cache, most: number): Promise<void> {
  const keys = await cache.keys();
  for (const k of keys.slice(0, Math.max(0, keys.length - most))) await cache.delete(k);
}

async function put(scope: Scope, name: string, key: Request | string, answer: Response, most: number): Promise<void> {
  const cache = await scope.caches.open(name);
  // What is opened again is the newest again.
  await cache.delete(key);
  await cache.put(key, answer);
  await trim(cache, most);
}

/** A card: from the server where it answers, else as it was last seen here. */
export async function card(scope: Scope, request: Request): Promise<Response> {
  let answer: Response;
  try {
    answer = await scope.fetch(request);
  } catch {
    const cache = await scope.caches.open(CARDS);
    return (await cache.match(request.url)) ?? offline();
  }
  // Sent elsewhere: the session is over, and what is kept here is nobody's any more.
  if (answer.type === "opaqueredirect" || answer.redirected || answer.status === 401) await scope.caches.delete(CARDS);
  else if (answer.ok) await put(scope, CARDS, request.url, answer.clone(), MOST_CARDS);
  return answer;
}

/** A piece of the program: its name changes with its content, so what is kept is right. */
export async function piece(scope: Scope, request: Request): Promise<Response> {
  const cache = await scope.caches.open(PIECES);
  const kept = await cache.match(request.url);
  if (kept) return kept;
  const answer = await scope.fetch(request);
  if (answer.ok) await put(scope, PIECES, request.url, answer.clone(), MOST_PIECES);
  return answer;
}

/** What answers a request; undefined: it goes to the server as if nobody stood between. */
export function answerOf(scope: Scope, request: Request, origin: string): Promise<Response> | undefined {
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== origin) return undefined;
  if (request.mode === "navigate" && isCard(url)) return card(scope, request);
  return isPiece(url) ? piece(scope, request) : undefined;
}

/** The page and its pieces that were loaded before this worker was there. */
export async function keep(scope: Scope, urls: readonly string[], origin: string): Promise<void> {
  for (const u of urls.slice(0, MOST_PIECES)) {
    const url = new URL(u, origin);
    if (url.origin !== origin) continue;
    const request = new Request(url.href);
    if (isCard(url)) await card(scope, request);
    else if (isPiece(url)) await piece(scope, request);
  }
}
