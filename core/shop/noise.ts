// The hours in which a site may be noisy, as a countdown.

import { minutesOf } from "../time/clock";
import { type Minute, zoneOf } from "../time/zone";
import type { Shop } from "./model";
import { sayMinutes } from "./say";

/** Told so long before, in minutes. */
const SOON = 120;

/** "noise from 08:30, in 25 min", "last noise in 40 min", "quiet since 17:30"; undefined where any hour will do or it is far. */
export function noiseWords(shop: Pick<Shop, "workshop">, now: Minute): string | undefined {
  const { noiseFrom: from, noiseTo: to } = shop.workshop;
  if (!from && !to) return undefined;
  const zone = zoneOf(shop.workshop.zone);
  const clock = minutesOf(zone.show(now).slice(11, 16));
  const [a, z] = [from ? minutesOf(from) : 0, to ? minutesOf(to) : 1440];
  if (clock < a) return a - clock <= SOON ? `noise from ${from}, in ${sayMinutes(a - clock)}` : undefined;
  if (clock >= z) return `quiet since ${to}`;
  return to && z - clock <= SOON ? `last noise in ${sayMinutes(z - clock)}` : undefined;
}
