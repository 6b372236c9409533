// A short slot before the next job: what small things could be finished in it.

import { zoneOf } from "../../time/zone";
import { penetrationsIn } from "../openings/holes";
import { entriesOf } from "../records/kinds/of";
import { figure } from "../state/house-figures";
import type { BuildRow, Shop } from "../state/model";

export interface SlotOffer {
  build: string;
  text: string;
}

/** Remainders that no open work holds up, beads to be backfilled once they have cured, second looks that are due. */
export function slotOffers(shop: Shop, minutes: number, now: number): SlotOffer[] {
  // Longer ones are for a job that is pulled forward.
  if (minutes < figure(shop, "slotFrom") || minutes > figure(shop, "slotTo")) return [];
  const out: SlotOffer[] = [];
  for (const b of shop.builds) {
    if (b.at === null) continue;
    for (const r of entriesOf(b.records, "sparks"))
      if (r.data.stamps?.clean && !r.data.stamps.look && r.data.stamps.clean.at + figure(shop, "secondLook") <= now)
        out.push({ build: b.name, text: `second look for swarf: ${r.title}` });
    for (const h of penetrationsIn(b.records))
      if (h.data.state === "closed" && h.data.bead === "holding" && cured(b, h.jobId, now) && sealable(shop, b, minutes, now))
        out.push({ build: b.name, text: `backfill hole ${h.no}, ${h.title}: dry and light` });
    for (const j of b.jobs) for (const r of j.remainders) out.push({ build: b.name, text: `${j.name}: ${r.text}` });
  }
  return out;
}

/** Whether it stays dry, light and warm enough for the slot where the van stands. */
function sealable(shop: Shop, b: BuildRow, minutes: number, now: number): boolean {
  const zone = zoneOf(shop.workshop.zone);
  const bay = shop.bays.find((x) => x.id === b.at);
  const has = bay?.has ?? shop.workshop.yardHas;
  const day = shop.weather.find((d) => d.date === zone.show(now).slice(0, 10));
  const dry = has.includes("indoor") || (dryUntil(shop, now) ?? 0) >= now + minutes;
  const light = has.includes("lit") || (day !== undefined && now + minutes <= zone.parse(`${day.date}T${day.sunset}`));
  const coldest = figure(shop, "sealFrom");
  return dry && light && (bay?.tempC ?? day?.highC ?? coldest) >= coldest;
}

const cured = (b: BuildRow, jobId: string | null, now: number): boolean => {
  const j = b.jobs.find((x) => x.id === jobId);
  return !j || j.endedAt === null || j.endedAt + j.hold.minutes <= now;
};

/** Until when it stays dry by the forecast: the end of the dry stretch that holds `now`; null where it rains, undefined unknown. */
export function dryUntil(shop: Pick<Shop, "weather" | "workshop">, now: number): number | null | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const local = zone.show(now);
  const day = shop.weather.find((d) => d.date === local.slice(0, 10));
  if (!day) return undefined;
  const clock = local.slice(11, 16);
  const stretch = day.dry.find(([a, b]) => a <= clock && clock < b);
  return stretch ? zone.parse(`${day.date}T${stretch[1] === "24:00" ? "23:59" : stretch[1]}`) : null;
}
