// The same product in two zones is one batch: mixed, masked and set up for once.

import type { BuildRow, JobRow } from "../state/model";

/** Materials that are mixed, primed or set up for: worth doing in one go. */
const PRODUCT = /adhesive|sealant|primer|coat|varnish|paint|foam|resin|filler|membrane/i;

const products = (j: Pick<JobRow, "parts">): string[] => j.parts.map((p) => p.name).filter((n) => PRODUCT.test(n));

/** Jobs of the build that nobody has begun, of the same stage, which take the same product in another zone. */
export function oneBatch(build: Pick<BuildRow, "jobs">, job: JobRow): { job: JobRow; products: string[] }[] {
  const own = new Set(products(job));
  const zones = new Set(job.zones);
  return build.jobs.flatMap((o) => {
    if (o.id === job.id || o.state !== "todo" || o.stage !== job.stage || o.zones.every((z) => zones.has(z))) return [];
    const same = products(o).filter((p) => own.has(p));
    // What waits for this job can't be done with it.
    return same.length && !o.after.some((a) => a.job === job.id) && !job.after.some((a) => a.job === o.id)
      ? [{ job: o, products: same }]
      : [];
  });
}

/** For the card, while the job is still to do or under way. Source: PL-n16. */
export const batchWords = (build: Pick<BuildRow, "jobs">, job: JobRow): string[] => {
  const list = job.state === "done" ? [] : oneBatch(build, job);
  return list.length
    ? [
        `One batch with ${list.map((x) => x.job.name).join(", ")}: ${[...new Set(list.flatMap((x) => x.products))].join(", ")}. Set up and mix once`,
      ]
    : [];
};
