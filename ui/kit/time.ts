// Shows instants (minutes, UTC) in the workshop's zone.

import { sayClock, sayDay, sayTime } from "@/core/plan/words";
import { DAY, zoneOf } from "@/core/time/zone";

export const clock = (zone: string, t: number): string => sayClock(zoneOf(zone), t);
export const day = (zone: string, t: number): string => sayDay(zoneOf(zone), t);
export const time = (zone: string, t: number): string => sayTime(zoneOf(zone), t);

/** "10:42" today, "Thu 10:42" within the week, else "Thu 9 Mar 10:42". */
export function near(zone: string, t: number, now: number): string {
  const z = zoneOf(zone);
  const days = z.dayOf(t) - z.dayOf(now);
  if (days === 0) return sayClock(z, t);
  if (days > 0 && days < 7) return `${sayDay(z, t).slice(0, 3)} ${sayClock(z, t)}`;
  return sayTime(z, t);
}

/** A local wall time like 2027-03-05T17:00 as it is said: "Fri 5 Mar 17:00". */
export const wall = (text: string): string => sayTime(zoneOf("UTC"), Date.parse(`${text}Z`) / 60_000);

/** For <input type="datetime-local">. */
export const local = (zone: string, t: number): string => zoneOf(zone).show(t);
export { DAY };
