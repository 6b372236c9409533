// Which openings go into the next dry stretch: the most exposed first, each given a start, the rest told to wait.

import type { Plan } from "../../plan/model";
import { goodSlot } from "../../setout/openings/good-slot/good-slot";
import { minutesOf } from "../../time/clock";
import { DAY, type Minute, zoneOf } from "../../time/zone";
import { sideOf } from "../openings/holes";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop, WeatherRow } from "../state/model";
import { lastPart } from "../stores/parts";

/** Which way rain comes at a hole, by the zones of the job that cuts it. */
export function exposureSide(job: Pick<JobRow, "zones">): "roof" | "front or rear" | "side" {
  const side = sideOf(job);
  return side === "roof" ? "roof" : side === "rear" ? "front or rear" : "side";
}

/** A cover of its own is in the kit: rain finds it shut. */
export const standsCovered = (job: Pick<JobRow, "kit">): boolean => job.kit.some((k) => /^cover\b/.test(k) && k !== "cover sheet");

/** Days, one decimal, of its build's chain from a job to the finish; 0 for one that is not on it. */
export function chainDays(plan: Plan, buildId: string, jobId: string): number {
  const chain = plan.builds.find((b) => b.id === buildId)?.chain ?? [];
  const at = chain.findIndex((l) => l.job === jobId);
  return at < 0 ? 0 : Math.round((chain.slice(at).reduce((n, l) => n + l.minutes, 0) / DAY) * 10) / 10;
}

export interface Waiting {
  build: BuildRow;
  job: JobRow;
  name: string;
  /** Where and when the plan has it. */
  start: Minute;
  place: string;
}

/** Cuts of every build that are planned and have to stay dry, by their start; `soon`: within a week of the first. */
export function waitingOpenings(shop: Shop, plan: Plan): { all: Waiting[]; soon: Waiting[] } {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map(plan.jobs.map((p) => [p.id, p]));
  const all = shop.builds
    .flatMap((build) =>
      build.jobs.flatMap((job): Waiting[] => {
        const p = planned.get(job.id);
        if (job.irreversible !== "cut" || job.state !== "todo" || !job.needs.dry || !p) return [];
        return [{ build, job, name: `${build.name}: ${job.name}`, start: zone.parse(p.start), place: p.place }];
      }),
    )
    .sort((x, y) => x.start - y.start);
  return { all, soon: all.filter((w) => w.start < all[0].start + figure(shop, "slotDays") * DAY) };
}

/** Minutes of a dry window in which there is light. */
export const litMinutes = (from: string, to: string, day: WeatherRow): number =>
  Math.max(0, Math.min(minutesOf(to), minutesOf(day.sunset)) - Math.max(minutesOf(from), minutesOf(day.sunrise)));

export interface SlotPlan {
  date: string;
  /** The stretch, by the shop's clock. */
  from: string;
  to: string;
  fits: { jobId: string; name: string; start: Minute }[];
  waits: string[];
}

const clock = (m: number) => `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;

/**
 * The longest dry and light stretch of the first day ahead that has one, within the shop's hours, handed out by exposure, then
 * urgency, one after the other. Only openings that the plan has under no roof, and that can begin by then, ask for it. Undefined
 * where none does.
 */
export function slotPlan(shop: Shop, plan: Plan, now: Minute): SlotPlan | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const outdoors = (place: string) =>
    !(place === "yard" ? shop.workshop.yardHas : (shop.bays.find((b) => b.id === place)?.has ?? [])).includes("indoor");
  const waiting = waitingOpenings(shop, plan).soon.filter((w) => outdoors(w.place));
  if (!waiting.length) return undefined;
  for (const day of shop.weather) {
    const stretch = day.dry
      .map(([a, b]) => within(shop, day, minutesOf(a), minutesOf(b), zone.show(now)))
      .filter((s) => s !== undefined)
      .sort((x, y) => y.to - y.from - (x.to - x.from))[0];
    if (!stretch) continue;
    const from = zone.parse(`${day.date}T${clock(stretch.from)}`);
    const ready = waiting.filter((w) => readyBy(shop, plan, w, from));
    if (!ready.length) continue;
    const openings = ready.map((w) => ({
      name: w.job.id,
      minutes: w.job.minutes.likely,
      side: exposureSide(w.job),
      urgent: w.start < ready[0].start + DAY,
      covered: standsCovered(w.job),
      chainDays: chainDays(plan, w.build.id, w.job.id),
    }));
    const { fits, waits } = goodSlot.run({ slot: stretch.to - stretch.from, openings }).results as { fits: string[]; waits: string[] };
    if (!fits.length) continue;
    const of = (id: string) => waiting.find((w) => w.job.id === id)!;
    let at = stretch.from;
    return {
      date: day.date,
      from: clock(stretch.from),
      to: clock(stretch.to),
      fits: fits.map((id) => {
        const start = zone.parse(`${day.date}T${clock(at)}`);
        at += of(id).job.minutes.likely;
        return { jobId: id, name: of(id).name, start };
      }),
      waits: waits.map((id) => of(id).name),
    };
  }
  return undefined;
}

/** Whether all that comes before an opening is over by then as planned, and its parts are here. */
function readyBy(shop: Shop, plan: Plan, { build, job }: Waiting, at: Minute): boolean {
  const zone = zoneOf(shop.workshop.zone);
  const over = (id: string): boolean => {
    const j = build.jobs.find((x) => x.id === id);
    if (!j) return true;
    if (j.state === "done") return (j.endedAt ?? 0) + j.hold.minutes <= at;
    const p = plan.jobs.find((x) => x.id === id);
    return p !== undefined && zone.parse(p.end) + j.hold.minutes <= at;
  };
  const last = lastPart(job.parts, shop.suppliers, at, shop.workshop.goodsInMinutes);
  return job.after.every((a) => over(a.job)) && (last === undefined || last.available.from <= at);
}

/** A dry stretch cut to light, the shop's hours of that weekday, and what is left of today; undefined where nothing is. */
function within(shop: Shop, day: WeatherRow, a: number, b: number, now: string): { from: number; to: number } | undefined {
  if (day.date < now.slice(0, 10)) return undefined;
  const weekday = (new Date(`${day.date}T00:00Z`).getUTCDay() + 6) % 7;
  const hours = shop.calendars.find((c) => c.id === "shop")?.windows.filter((w) => w.weekday === weekday) ?? [];
  if (!hours.length) return undefined;
  const opens = Math.min(...hours.map((w) => minutesOf(w.opens)));
  const closes = Math.max(...hours.map((w) => minutesOf(w.closes)));
  const from = Math.max(a, opens, minutesOf(day.sunrise), day.date === now.slice(0, 10) ? minutesOf(now.slice(11, 16)) : 0);
  const to = Math.min(b, closes, minutesOf(day.sunset));
  return to > from ? { from, to } : undefined;
}
