// Jobs that no plan can move any more.

import type { Shop } from "./model";

/** Ids of the jobs that are begun or done. */
export const factJobs = (shop: Pick<Shop, "builds">): ReadonlySet<string> =>
  new Set(shop.builds.flatMap((b) => b.jobs.filter((j) => j.state === "done" || j.state === "started").map((j) => j.id)));
