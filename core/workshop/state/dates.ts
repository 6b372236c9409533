// The date of every build: when it is done by the plan, how much air that leaves, and what holds it up most.

import { choiceOf } from "../../library/choices";
import type { Plan } from "../../plan/model";
import { lastOfWalk } from "../../time/bounds";
import { openHours } from "../../time/calendar";
import { type Minute, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import { figure } from "./house-figures";
import type { BuildRow, Shop } from "./model";

export type DateState = "late" | "tight" | "safe" | "open";

export interface BuildDate {
  buildId: string;
  name: string;
  due: Minute;
  /** Null: some of it has no place in the plan. */
  finish: Minute | null;
  /** Working days between finish and deadline; negative when late. */
  slackDays: number;
  state: DateState;
  /** What the longest wait on its chain is for, in words; null when it only works. */
  why: string | null;
  /** Why no date is to be promised yet; null where nothing is open. */
  held: string | null;
}

const openDays = new WeakMap<Shop["calendars"][number], { of: string; days: Map<number, boolean> }>();

/** Whether the shop has open hours on a day; worked out once for a calendar as it stands. */
function isOpen(zoneName: string, calendar: Shop["calendars"][number], day: number): boolean {
  let known = openDays.get(calendar);
  const of = `${zoneName} ${calendar.version} ${calendar.windows.length} ${calendar.days.length}`;
  if (known?.of !== of) openDays.set(calendar, (known = { of, days: new Map() }));
  let open = known.days.get(day);
  if (open === undefined) {
    const zone = zoneOf(zoneName);
    const hours = openHours(zone, calendarData(calendar), day, day).open;
    known.days.set(day, (open = hours.minutes(zone.dayStart(day), zone.dayStart(day + 1)) > 0));
  }
  return open;
}

/** Shop days (dates with open hours) behind the date of `a` up to the date of `b`; negative when b is earlier. */
export function workingDays(shop: Pick<Shop, "calendars" | "workshop">, a: Minute, b: Minute): number {
  const zone = zoneOf(shop.workshop.zone);
  const calendar = shop.calendars.find((c) => c.id === "shop");
  if (!calendar) return 0;
  const from = zone.dayOf(Math.min(a, b));
  const to = lastOfWalk(from, zone.dayOf(Math.max(a, b)));
  let days = 0;
  for (let d = from + 1; d <= to; d++) if (isOpen(shop.workshop.zone, calendar, d)) days++;
  return a <= b ? days : -days;
}

/** What holds back the promise of a date: questions to the client that are open. */
export function promiseHeld(b: Pick<BuildRow, "openChoices">): string | null {
  const n = b.openChoices.length;
  if (!n) return null;
  const first = choiceOf(b.openChoices[0]).label.toLowerCase();
  return n === 1 ? `no date is to be promised: ${first} is open` : `no date is to be promised: ${first} and ${n - 1} more are open`;
}

/** Dates of all builds, the most threatened first. */
export function buildDates(shop: Shop, plan: Plan | undefined): BuildDate[] {
  const zone = zoneOf(shop.workshop.zone);
  const unplaced = new Map((plan?.unplaced ?? []).map((u) => [u.job, u.reason]));
  const jobs = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const out = shop.builds.map((b): BuildDate => {
    const result = plan?.builds.find((x) => x.id === b.id);
    const finish = result?.finish ? zone.parse(result.finish) : null;
    const stuck = b.jobs.find((j) => unplaced.has(j.id));
    const base = { buildId: b.id, name: b.name, due: b.due, held: promiseHeld(b) };
    if (stuck || finish === null) {
      const why = stuck ? `${stuck.name}: ${unplaced.get(stuck.id)}` : "not planned yet";
      return { ...base, finish: null, slackDays: 0, state: "open", why };
    }
    const late = finish > b.due;
    const days = workingDays(shop, finish, b.due);
    const slackDays = late ? Math.min(days, -1) : days;
    const wait = [...(result?.chain ?? [])].filter((l) => l.kind !== "work" && l.kind !== "now").sort((x, y) => y.minutes - x.minutes)[0];
    const job = wait && b.jobs.find((j) => j.id === wait.job);
    const words =
      wait &&
      (wait.kind === "hold" && !jobs.get(wait.job)?.why?.some((w) => w.kind === "hold")
        ? "is left untouched"
        : jobs.get(wait.job)?.why?.find((w) => w.kind === wait.kind)?.text);
    return {
      ...base,
      finish,
      slackDays,
      state: late ? "late" : days < figure(shop, "tightDays") ? "tight" : "safe",
      why: job && words ? `${job.name}: ${words}` : null,
    };
  });
  const rank = (d: BuildDate) => (d.state === "open" ? -1000 : d.slackDays);
  return out.sort((x, y) => rank(x) - rank(y) || x.due - y.due);
}
