// What a hold keeps: never people, the bay where the van may not move, its zones, the van's motion; and what the bay costs meanwhile.

import { attendWords } from "../records/waits";
import type { BayRow, JobRow, Shop } from "../state/model";
import { placeName } from "../state/say";

const DAY = 1440;

/** Money for a stretch in a bay, by its cost of a day; null where nobody has said what a day costs. */
export const bayCost = (bay: Pick<BayRow, "dayCost"> | undefined, minutes: number): number | null =>
  bay?.dayCost == null ? null : Math.round((bay.dayCost * minutes) / DAY);

/** A bond that needs neither the bay's stillness nor its warmth may cure in the yard as well. */
export const yardWillDo = (job: Pick<JobRow, "hold" | "place">): boolean =>
  job.place === "van" && job.hold.minutes > 0 && !job.hold.still && job.hold.minTempC === null;

/** "keeps nobody's hands; Long bay (34 EUR); left and roof clear; the van may not move", in that order, for a hold of some minutes. */
export function holdKeeps(shop: Shop, job: JobRow, place: string, minutes = job.hold.minutes): string {
  const bay = shop.bays.find((b) => b.id === place);
  const cost = bayCost(bay, minutes);
  const money = cost === null ? "" : ` (${cost} ${shop.workshop.currency})`;
  const zones = job.hold.keepOff === "all" ? "the whole van" : job.hold.keepOff?.length ? job.hold.keepOff.join(", ") : "";
  return [
    "keeps nobody's hands",
    bay && (job.hold.still || job.hold.minTempC !== null) && `keeps ${placeName(shop, place)}${money}`,
    bay &&
      yardWillDo(job) &&
      `may be left in the yard: ${bay.name} is free for another van${money && ` (a day in it saved is ${bay.dayCost} ${shop.workshop.currency})`}`,
    zones && `${zones} kept clear`,
    job.hold.still && "the van may not move",
    ...attendWords(shop.builds.find((b) => b.id === job.buildId) ?? { records: [] }, job),
  ]
    .filter(Boolean)
    .join("; ");
}
