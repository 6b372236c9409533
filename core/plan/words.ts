// How the planner says times and reasons: as a colleague would.

import type { Minute, Zone } from "../time/zone";

const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** "Tue 9 Mar" */
export function sayDay(zone: Zone, t: Minute): string {
  const d = new Date(zone.toLocal(t) * 60_000);
  return `${DAYS[d.getUTCDay()]} ${d.getUTCDate()} ${MONTHS[d.getUTCMonth()]}`;
}

/** "10:42" */
export function sayClock(zone: Zone, t: Minute): string {
  return zone.show(t).slice(11);
}

/** "Tue 9 Mar 10:42" */
export const sayTime = (zone: Zone, t: Minute): string => `${sayDay(zone, t)} ${sayClock(zone, t)}`;
