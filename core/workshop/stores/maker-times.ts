// The maker's quoted time beside the house's own: once enough builds have taught the house's own, that is what counts.

import { figure } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";
import { count, sayMinutes } from "../state/say";

/** What jobs of the same code took in this house: how many, and the middle one. */
export function ourTime(shop: Pick<Shop, "times">, code: string): { builds: number; median: number } | undefined {
  const list = shop.times
    .filter((t) => t.code === code.slice(0, 5))
    .map((t) => t.minutes)
    .sort((a, b) => a - b);
  if (!list.length) return undefined;
  const k = list.length >> 1;
  return { builds: list.length, median: list.length % 2 ? list[k] : Math.round((list[k - 1] + list[k]) / 2) };
}

/** Both times in words; nothing where the maker quotes none, or the job is over. */
export function makerWords(
  shop: Pick<Shop, "times" | "workshop">,
  job: Pick<JobRow, "code" | "makerMinutes" | "minutes" | "state">,
): string | undefined {
  if (!job.makerMinutes || job.state === "done") return undefined;
  const own = ourTime(shop, job.code);
  const known = figure(shop, "taughtBy");
  const maker = `the maker says ${sayMinutes(job.makerMinutes)}`;
  if (own && own.builds >= known) return `Ours: ${sayMinutes(own.median)} in the middle of ${own.builds} builds; ${maker}`;
  return `${maker[0].toUpperCase()}${maker.slice(1)}, we plan ${sayMinutes(job.minutes.likely)}; our own times count from ${count(known, "build")} on`;
}
