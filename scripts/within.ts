// Waiting with an end: what never answers is given up, and said by name, instead of holding up everything behind it.

/** What is waited for did not come in its time. */
export class Late extends Error {}

/** The result of `work`, or a `Late` that names `what` after `ms` milliseconds. The work itself goes on: it can't be stopped from here. */
export function within<T>(what: string, ms: number, work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Late(`${what}: nothing came in ${Math.round(ms / 1000)} s`)), ms);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}
