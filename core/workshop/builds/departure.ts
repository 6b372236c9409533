// Before a van leaves the yard: what is looked at every time, and what stops it by itself.

import { hasRole } from "../../library/roles";
import { sayTime } from "../../plan/words";
import { type Minute, zoneOf } from "../../time/zone";
import { notWatertight } from "../openings/holes";
import type { BuildRow, Shop } from "../state/model";
import { notReleased } from "./releases";

/** What somebody looks at and ticks, each time. Plates are never covered on the road: in shared photos they are hidden instead. */
export const DEPARTURE_TICKS = ["plates uncovered", "doors, lids and hatches shut", "nothing loose inside or on the roof"] as const;
const SEAT_TICK = "seats and belts signed by the ticket holder";

/** The ticks asked of this build: seats and belts where they were loose. */
export function departureTicks(build: Pick<BuildRow, "jobs">): string[] {
  const loose = build.jobs.some((j) => hasRole(j, "seats") && j.state !== "todo");
  return [...DEPARTURE_TICKS, ...(loose ? [SEAT_TICK] : [])];
}

/** What stops it whatever is ticked: work under way, bonds that may not be moved yet, open holes with no cover. */
export function departureStops(shop: Shop, build: BuildRow, now: Minute): string[] {
  const zone = zoneOf(shop.workshop.zone);
  const van = build.jobs.filter((j) => j.place === "van");
  return [
    ...van.filter((j) => j.state === "started").map((j) => `${j.name} is under way`),
    ...notReleased(build, "may be moved", now).map(({ job, at }) => `${job.name} may not be moved before ${sayTime(zone, at)}`),
    ...notWatertight(build).map((h) => `${h} is open with no cover`),
  ];
}
