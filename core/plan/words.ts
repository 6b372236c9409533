// How the planner says times and reasons: as a colleague would.

import { DAY, formatClock, type Minute, type Zone } from "../time/zone";

const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** "Tue 9 Mar" */
export function sayDay(zone: Zone, t: Minute): string {
  const day = zone.dayOf(t);
  let text = said.get(day);
  if (text === undefined) {
    if (said.size > 5000) said.clear();
    const d = new Date(day * 86_400_000);
    text = `${DAYS[d.getUTCDay()]} ${d.getUTCDate()} ${MONTHS[d.getUTCMonth()]}`;
    said.set(day, text);
  }
  return text;
}

/** Remembered: reasons name the same few hundred days over and over. */
const said = new Map<number, string>();

/** "10:42" */
export function sayClock(zone: Zone, t: Minute): string {
  const local = zone.toLocal(t);
  return formatClock(local - Math.floor(local / DAY) * DAY);
}

/** "Tue 9 Mar 10:42" */
export const sayTime = (zone: Zone, t: Minute): string => `${sayDay(zone, t)} ${sayClock(zone, t)}`;
