// Dates that nobody can have meant, and settings that contradict what stands in the yard: named one by one, while all else goes on.

import { sayDay } from "../../plan/words";
import { farFault } from "../../time/bounds";
import { zoneOf } from "../../time/zone";
import type { Shop } from "../state/model";

export interface ImplausibleDate {
  text: string;
  href: string;
}

/** Every one of them, with the page on which it is mended. */
export function implausibleDates(shop: Shop, now: number): ImplausibleDate[] {
  const zone = zoneOf(shop.workshop.zone);
  const far = (t: number | null): t is number => t !== null && farFault(t, now) !== undefined;
  const out: ImplausibleDate[] = [];
  for (const b of shop.builds) {
    const href = `/builds/${encodeURIComponent(b.id)}`;
    if (far(b.due)) out.push({ text: `${b.name} is due on ${sayDay(zone, b.due)}, ${year(b.due)}. Correct the date.`, href });
    if (far(b.arrives)) out.push({ text: `${b.name} arrives on ${sayDay(zone, b.arrives)}, ${year(b.arrives)}. Correct the date.`, href });
    for (const j of b.jobs)
      for (const p of j.parts)
        if (p.state === "promised" && far(p.promisedAt))
          out.push({
            text: `${p.name} for ${b.name} is promised for ${sayDay(zone, p.promisedAt)}, ${year(p.promisedAt)}. Correct the date.`,
            href: `/stores?part=${encodeURIComponent(p.id)}`,
          });
  }
  const there = shop.builds.filter((b) => b.at === "yard").length;
  if (there > shop.workshop.yardPlaces)
    out.push({
      text: `${there} vans stand in the yard, which is set to have ${shop.workshop.yardPlaces} places. Correct the number.`,
      href: "/workshop?tab=settings",
    });
  return out;
}

const year = (t: number): number => new Date(t * 60_000).getUTCFullYear();
