// Fresh data for the page at hand. What is on its way is for the address it was asked for: whoever changes that asks again (use-url).
// One at a time: who asks while data are awaited gets them anew once those are there. Two on their way at once for an address that
// was just changed are each taken for a page that does not fit, and at the second one the whole page is loaded anew: what stood in it
// (the list of what can be undone, a row picked) would be lost.

interface Router {
  refresh(): void;
}

/** What was asked for so many ms ago and is not there is taken for lost. */
const LOST = 20_000;
let asked = Number.NEGATIVE_INFINITY;
let there = true;
/** Somebody asked while data were awaited, which may have been read before what they are asked for. */
let wanted: Router | undefined;

export function refresh(router: Router): void {
  if (awaited()) {
    // Should what is on its way be lost, they are asked for all the same.
    if (!wanted) setTimeout(() => wanted && refresh(wanted), LOST - (Date.now() - asked));
    wanted = router;
    return;
  }
  wanted = undefined;
  asked = Date.now();
  there = false;
  router.refresh();
}

/** What was on its way when the address changed may never be shown: so many ms later it is not waited for any longer. */
const DROPPED = 1500;

/** The same for an address that was just changed: what is on its way is for the old one. */
export function refreshMoved(router: Router): void {
  if (!awaited()) return refresh(router);
  wanted = router;
  const since = asked;
  setTimeout(() => {
    if (!wanted || asked !== since) return;
    there = true;
    refresh(wanted);
  }, DROPPED);
}

/** Fresh data are there. */
export function noteFresh(): void {
  there = true;
  if (wanted) refresh(wanted);
}

/** The frame of a page comes before its inside, which may still be on its way so many ms after it was asked for. */
const INSIDE = 10_000;

/** Whether some of what was asked for may still be on its way, though the frame is there. */
export const askedLately = (): boolean => Date.now() - asked < INSIDE;

/** Whether fresh data were asked for that are not there yet. */
export const awaited = (): boolean => !there && Date.now() - asked < LOST;
