// What a job is like for those around it: under a roof or outdoors, big sheets, dust, water, noise, coats that dust ruins.

import type { Tag } from "../../library/schema";
import { figure, type House } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";

/** For a job's line and the library's editor. */
export const TAG_WORDS: Readonly<Record<Tag, string>> = {
  dust: "makes dust",
  "big-sheet": "big sheets",
  water: "water",
  coat: "a coat that dust ruins",
};

/** In words, for a job's line; place, weather and noise are told there anyway. */
export const tagWords = (job: Pick<JobRow, "tags">): string[] => job.tags.map((t) => TAG_WORDS[t]);

/** What a swap costs besides the work: sheets that have to be carried there first. */
export const carrying = (house: House, job: Pick<JobRow, "tags">): number =>
  job.tags.includes("big-sheet") ? figure(house, "carrying") : 0;

/**
 * Where a job makes dust and a coat dries within its reach, or the other way round: on the bench both, or in one van. In words; null:
 * nothing. `say` puts a moment into words.
 */
export function dustWords(shop: Pick<Shop, "builds">, job: JobRow, now: number, say: (t: number) => string): string | null {
  const [dusty, coat] = [job.tags.includes("dust"), job.tags.includes("coat")];
  if ((!dusty && !coat) || job.state === "done") return null;
  const near = shop.builds
    .flatMap((b) => b.jobs)
    .filter((j) => j.id !== job.id && j.place === job.place && (j.place === "bench" || j.buildId === job.buildId));
  const wet = dusty
    ? near.find(
        (j) => j.tags.includes("coat") && (j.state === "started" || (j.state === "done" && (j.endedAt ?? now) + j.hold.minutes > now)),
      )
    : undefined;
  if (wet)
    return wet.state === "started"
      ? `${wet.name} is being done beside it: no dust`
      : `${wet.name} dries beside it until ${say(wet.endedAt! + wet.hold.minutes)}: no dust before`;
  const dust = coat ? near.find((j) => j.tags.includes("dust") && j.state === "started") : undefined;
  return dust ? `${dust.name} makes dust beside it: let that end and settle first` : null;
}
