// Fresh data for the page at hand. A change of the address drops what is on its way: whoever makes one asks again.

interface Router {
  refresh(): void;
}

/** Fresh data are taken to be on their way for so long, ms. */
const ON_ITS_WAY = 5000;
let asked = Number.NEGATIVE_INFINITY;

/** Whether fresh data may still be on their way. */
export const onTheirWay = (ms = ON_ITS_WAY): boolean => Date.now() - asked < ms;

export function refresh(router: Router): void {
  asked = Date.now();
  router.refresh();
}

/** Asks again where fresh data may have been on their way when the address changed. */
export function refreshAgain(router: Router): void {
  if (onTheirWay()) refresh(router);
}
