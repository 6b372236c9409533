// People who have nothing ready to do: how long, what it comes from, and what was lost to which cause.

import type { Plan } from "../../plan/model";
import { openHours } from "../../time/calendar";
import { type Minute, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import { type Obstacle, obstacles } from "../starts/ready";
import type { Shop } from "../state/model";
import type { Forward } from "./pull-forward";

/** What a lost hour is booked to. */
export const LOST_TO = {
  weather: "the weather",
  part: "a part that is not here",
  decision: "a decision that is open",
  photo: "photos or a release",
  before: "work before it",
  cure: "a bond that cures",
  place: "bay or van",
  tool: "a tool",
  people: "people",
  stopped: "a stop",
  plan: "nothing planned",
} as const;
export type LostTo = keyof typeof LOST_TO;

/** What an obstacle is booked to. */
const CAUSE: Record<Obstacle["kind"], LostTo> = {
  conditions: "weather",
  part: "part",
  choice: "decision",
  question: "decision",
  proof: "photo",
  predecessor: "before",
  remainder: "before",
  hold: "cure",
  place: "place",
  tool: "tool",
  crew: "people",
  state: "before",
  remark: "stopped",
  opening: "before",
};

export interface WithNothing {
  fitterId: string;
  name: string;
  /** Open minutes until the next work, or the day's end. */
  minutes: number;
  until: Minute;
  cause: LostTo;
  /** The job that should have been done, and what is in its way; empty where none was planned. */
  why: string;
}

/**
 * Free fitters for whom no ready work of any build is left, each with the cause that speaks for itself: what is in the way of the first
 * job of theirs that the plan had for now. `free`: who has nothing to do, until when; `forward`: what could be pulled forward.
 */
export function withNothing(
  shop: Shop,
  plan: Plan | undefined,
  free: ReadonlyMap<string, Minute>,
  forward: readonly Pick<Forward, "crew" | "trap" | "fits">[],
  now: Minute,
): WithNothing[] {
  const zone = zoneOf(shop.workshop.zone);
  const served = new Set(forward.filter((f) => f.fits && f.trap === null).flatMap((f) => f.crew));
  const jobs = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, { b, j }] as const)));
  const day = zone.dayOf(now);
  return [...free].flatMap(([id, until]) => {
    const f = shop.fitters.find((x) => x.id === id);
    const calendar = shop.calendars.find((c) => c.id === f?.calendarId);
    if (!f || !calendar || served.has(id)) return [];
    const open = openHours(zone, calendarData(calendar), day, day).open.without(f.absences.map((a) => [a.from, a.to]));
    const due = (plan?.jobs ?? [])
      .filter((p) => p.fitters.includes(id) && zone.parse(p.start) <= until)
      .sort((a, b) => a.start.localeCompare(b.start))
      .map((p) => jobs.get(p.id))
      .find((x) => x && x.j.state === "todo");
    const [first] = due ? obstacles(shop, due.j, now) : [];
    return [
      {
        fitterId: id,
        name: f.name,
        minutes: open.minutes(now, until),
        until,
        cause: first ? CAUSE[first.kind] : "plan",
        why: due && first ? `${due.j.name}, ${due.b.name}: ${first.text}` : "",
      },
    ];
  });
}

/** Hours lost to each cause, the most first, in words: "the weather 6.5 h, a part that is not here 2 h". Empty where none were. */
export const sayLost = (sums: readonly { cause: LostTo; minutes: number }[]): string =>
  [...sums]
    .sort((a, b) => b.minutes - a.minutes)
    .map((s) => `${LOST_TO[s.cause]} ${Math.round(s.minutes / 6) / 10} h`)
    .join(", ");
