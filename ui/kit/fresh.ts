// Fresh data for the page at hand. What is on its way is for the address it was asked for: whoever changes that asks again (use-url).
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

/** The frame of a page comes before its inside, which may still be on its way so many ms after it was asked for. */
const INSIDE = 10_000;

/** Whether some of what was asked for may still be on its way, though the frame is there. */
export const askedLately = (): boolean => Date.now() - asked < INSIDE;

/** Whether fresh data were asked for that are not there yet. */
export const awaited = (): boolean => asked > came && Date.now() - asked < LOST;
