// Fresh data for the page at hand. A change of the address drops what is on its way: whoever makes one asks again.
// Whoever asks twice waits twice: what is asked for last is what the page waits for.

interface Router {
  refresh(): void;
}

/** What was asked for so many ms ago and is not there is taken for lost. */
const LOST = 20_000;
let asked = Number.NEGATIVE_INFINITY;
let came = Number.NEGATIVE_INFINITY;

export function refresh(router: Router): void {
  asked = Date.now();
  router.refresh();
}

/** Fresh data are there. */
export function noteFresh(): void {
  came = Date.now();
}

/** Whether fresh data were asked for that are not there yet. */
export const awaited = (): boolean => asked > came && Date.now() - asked < LOST;

/** Asks again where fresh data were on their way when the address changed. */
export function refreshAgain(router: Router): void {
  if (awaited()) refresh(router);
}
