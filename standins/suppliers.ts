// A stand-in for the suppliers' order systems: confirms what was ordered, and lets some promises slip.
// The answer for a line depends on the line and the date alone, so that asking twice changes nothing.

import { sayDay } from "../core/plan/words";
import { random, seedOf } from "../core/rng";
import { DAY, type Zone } from "../core/time/zone";
import type { PartRow, Shop } from "../core/workshop/state/model";

export interface Answer {
  part: PartRow;
  buildId: string;
  promisedAt: number;
  text: string;
}

/** Answers for all lines on order: a first promise for those without, a slip for about one promise in six. */
export function askSuppliers(shop: Shop, now: number, zone: Zone): Answer[] {
  const today = zone.dayOf(now);
  const out: Answer[] = [];
  for (const b of shop.builds)
    for (const part of b.jobs.flatMap((j) => j.parts)) {
      const r = random(seedOf(`${part.id} ${today}`));
      const s = shop.suppliers.find((x) => x.id === part.supplierId);
      if (part.state === "ordered" && s) {
        const span = s.leadWorstDays - s.leadBestDays;
        // Two throws lean towards the middle, as lead times do.
        const days = Math.round(s.leadBestDays + (span * (r() + r())) / 2.4);
        const at = onWeekday(zone, today + Math.max(1, days));
        out.push({ part, buildId: b.id, promisedAt: at, text: `${s.name} promises ${part.name} (${b.name}) for ${sayDay(zone, at)}` });
      } else if (part.state === "promised" && part.promisedAt! - now < 5 * DAY && part.promisedAt === part.firstPromisedAt && r() < 0.17) {
        const at = onWeekday(zone, zone.dayOf(part.promisedAt!) + 2 + Math.floor(r() * 5));
        out.push({
          part,
          buildId: b.id,
          promisedAt: at,
          text: `${s?.name ?? "The supplier"} moves ${part.name} (${b.name}) from ${sayDay(zone, part.promisedAt!)} to ${sayDay(zone, at)}`,
        });
      }
    }
  return out;
}

/** Ten in the morning of that day, or of the Monday behind it. */
function onWeekday(zone: Zone, day: number): number {
  const weekday = (((day + 3) % 7) + 7) % 7;
  return zone.toUtc((weekday > 4 ? day + 7 - weekday : day) * DAY + 600);
}
