// Checks duration, working stretches, crews, calendars and conditions of every planned job.

import { DAY } from "../../time/zone";
import { type ProblemFitter, plannedMinutes, startedOf } from "../model";
import type { Case, Row } from "./check";
import { lengthOf, type Span } from "./hours";

export function checkWork(x: Case): void {
  const days = x.problem.horizonDays ?? 365;
  const horizon = Math.max(x.now + days * DAY, x.zone.toUtc(x.zone.toLocal(x.now) + days * DAY));
  const repeated = x.zone.repeated(x.now, horizon + DAY);
  const bookings = new Map<string, { span: Span; job: string }[]>();
  for (const r of x.rows.values()) {
    if (r.done) continue;
    stretches(x, r, repeated, horizon);
    crew(x, r);
    place(x, r);
    temperature(x, r);
    wind(x, r);
    for (const f of r.plan.fitters)
      bookings.set(f, [...(bookings.get(f) ?? []), ...workOf(x, r, f).map((span) => ({ span, job: r.job.id }))]);
  }
  for (const [f, list] of bookings) {
    list.sort((a, b) => a.span[0] - b.span[0]);
    for (let i = 1; i < list.length; i++)
      if (list[i].span[0] < list[i - 1].span[1])
        x.breach("crew", `${f} is on ${list[i - 1].job} and on ${list[i].job} at once`, { job: list[i].job });
  }
}

const fittersOf = (x: Case, r: Row): ProblemFitter[] =>
  r.plan.fitters.map((id) => x.problem.fitters.find((f) => f.id === id)).filter((f) => f !== undefined);

/** What a fitter is booked for: a helper for the stretches that the plan says, all others for all of it. */
export function workOf(x: Case, r: Row, fitter: string): Span[] {
  const part = r.plan.helpers?.find((h) => h.fitter === fitter)?.work;
  return part ? part.map(([a, b]): Span => [x.zone.parse(a), x.zone.parse(b)]) : r.work;
}

/**
 * Those minutes of a job's work, counted from its beginning, one by one: slow, and plainly right. Where the crew takes longer than
 * the job's usual minutes, they are as much later and longer.
 */
function minutesOf(r: Row, during: { from: number; to: number }): Span[] {
  const all = r.work.flatMap(([a, b]) => Array.from({ length: b - a }, (_, i) => a + i));
  const usual = r.started ? all.length : plannedMinutes(r.job.minutes);
  const from = Math.min(during.from, usual - 1);
  const to = Math.max(from + 1, Math.min(during.to, usual));
  const later = (minute: number) => Math.round((minute * all.length) / usual);
  return mergeTouching(all.slice(later(from), later(to)).map((m): Span => [m, m + 1]));
}

/** Minutes of a job by who does it: the least new of those who are there for all of it decides. */
function longer(job: Row["job"], plan: Row["plan"]): number {
  const minutes = plannedMinutes(job.minutes);
  const all = plan.fitters.filter((f) => !plan.helpers?.some((h) => h.fitter === f));
  if (!all.length) return minutes;
  const factors = all.map((f) => job.slow?.find((s) => s.fitter === f)?.factor ?? 1);
  return Math.ceil(minutes * Math.min(...factors) - 1e-9);
}

function stretches(x: Case, r: Row, repeated: readonly Span[], horizon: number): void {
  const { job, plan, work } = r;
  const at = { job: job.id };
  if (work.length === 0) return x.breach("calendar", `${job.id} has no work`, at);
  const began = work[0][0];
  const asked = startedOf(job) ? Math.max(1, startedOf(job)!.leftMinutes) : longer(job, plan);
  if (lengthOf(work) !== asked) x.breach("calendar", `${job.id} works ${lengthOf(work)} of ${asked} minutes`, at);
  if (!r.started && began !== r.start) x.breach("calendar", `${job.id} starts ${plan.start} but works from ${plan.work![0][0]}`, at);
  if (work.at(-1)![1] !== r.end) x.breach("calendar", `${job.id} ends ${plan.end} but works to ${plan.work!.at(-1)![1]}`, at);
  if (began < x.now) x.breach("facts", `${job.id} works before now`, at);
  if (r.end > horizon) x.breach("calendar", `${job.id} ends behind the horizon`, at);
  for (let i = 0; i < work.length; i++)
    if (work[i][0] >= work[i][1] || (i > 0 && work[i][0] < work[i - 1][1]))
      x.breach("calendar", `${job.id} has stretches out of order`, at);
  const open = x.hours.ofJob(job, plan.place, fittersOf(x, r), began, Math.max(r.end, began + 1));
  if (JSON.stringify(open) !== JSON.stringify(mergeTouching(work)))
    x.breach(
      calendarOrConditions(x, r, began),
      `${job.id} does not work exactly the minutes in which crew, place and conditions are open`,
      at,
    );
  if (job.needs?.sameDay && x.zone.dayOf(began) !== x.zone.dayOf(r.end - 1))
    x.breach("calendar", `${job.id} has to be done on one day`, at);
  if (job.needs?.sameDay && job.needs.dry && job.place === "van" && !r.started && !x.hours.indoor(plan.place)) {
    const dry = mergeTouching(x.hours.dry(began, Math.max(r.end, began + 1)));
    if (!dry.some(([a, b]) => a <= began && b >= r.end))
      x.breach("conditions", `${job.id} opens the skin and is not sealed within one dry stretch`, at);
  }
  for (const [a, b] of repeated)
    if (work.some(([s, e]) => (s >= a && s < b) || (e >= a && e < b)))
      x.breach("calendar", `${job.id} starts, pauses or ends inside a repeated hour`, at);
}

/** Whether the hours would have been right had weather, light and noise not been asked, or no machine with hours of its own. */
function calendarOrConditions(x: Case, r: Row, began: number): "calendar" | "conditions" | "tool" {
  const inside = (job: Row["job"]) => {
    const open = x.hours.ofJob(job, r.plan.place, fittersOf(x, r), began, Math.max(r.end, began + 1));
    return mergeTouching(r.work).every(([a, b]) => open.some(([c, d]) => c <= a && b <= d));
  };
  if (r.job.tools && inside({ ...r.job, tools: undefined })) return "tool";
  return r.job.needs && inside({ ...r.job, needs: undefined, tools: undefined }) ? "conditions" : "calendar";
}

function mergeTouching(work: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const [a, b] of work) {
    const last = out.at(-1);
    if (last && last[1] === a) last[1] = b;
    else out.push([a, b]);
  }
  return out;
}

function crew(x: Case, r: Row): void {
  const { job, plan } = r;
  const at = { job: job.id };
  const people = fittersOf(x, r);
  if (people.length !== plan.fitters.length) x.breach("crew", `${job.id} names a fitter who does not exist`, at);
  if (new Set(plan.fitters).size !== plan.fitters.length) x.breach("crew", `${job.id} names a fitter twice`, at);
  const demands = job.crew.flatMap((d) => Array.from({ length: d.count ?? 1 }, () => d));
  const lastDay = x.zone.dayOf(r.end - 1);
  const holds = (f: ProblemFitter, ticket: string | undefined) =>
    !ticket || (f.tickets ?? []).some((t) => t.id === ticket && (!t.until || Date.parse(`${t.until}T00:00Z`) / 86_400_000 >= lastDay));
  const level = (f: ProblemFitter, skill: string) => (skill === "any" ? Math.max(0, ...Object.values(f.skills)) : (f.skills[skill] ?? 0));
  const able = (f: ProblemFitter, d: (typeof demands)[number]) =>
    holds(f, d.ticket) && (r.started || level(f, d.skill) >= Math.max(1, d.level ?? 1));
  if (!r.started && people.length !== demands.length)
    return x.breach("crew", `${job.id} has ${people.length} people, ${demands.length} are asked`, at);
  const asked = r.started ? demands.filter((d) => d.ticket) : demands;
  const helpers = new Map((plan.helpers ?? []).map((h) => [h.fitter, JSON.stringify(mergeTouching(workOf(x, r, h.fitter)))]));
  for (const id of helpers.keys()) if (!plan.fitters.includes(id)) x.breach("crew", `${job.id} has a helper ${id} who is not on it`, at);
  if (r.started) underWay(x, r, helpers, holds, level);
  // A helper fills only what is asked for just those minutes; whoever is there for all of it can fill either.
  const fills = (f: ProblemFitter, d: (typeof demands)[number]) => {
    const work = helpers.get(f.id);
    return work === undefined || (d.during !== undefined && work === JSON.stringify(minutesOf(r, d.during)));
  };
  if (!seatAll(asked.length, people.length, (d, f) => able(people[f], asked[d]) && fills(people[f], asked[d])))
    x.breach("crew", `${job.id}: its people can't fill what is asked, with skill, level and ticket`, at);
}

/** Under way: whoever helped helps still, for the part asked; and as many more do as it is short of, with skill and ticket. */
function underWay(
  x: Case,
  r: Row,
  helpers: ReadonlyMap<string, string>,
  holds: (f: ProblemFitter, ticket: string | undefined) => boolean,
  level: (f: ProblemFitter, skill: string) => number,
): void {
  const at = { job: r.job.id };
  const { fitters, helpers: named = [] } = startedOf(r.job)!;
  const asked = r.job.crew.flatMap((d) => Array.from({ length: d.count ?? 1 }, () => d));
  const parts = asked.filter((d) => d.during);
  const come = [...helpers.keys()].filter((id) => !fitters.includes(id));
  const missing = Math.max(0, Math.min(parts.length - named.length, asked.length - fitters.length));
  if (come.length !== missing) x.breach("crew", `${r.job.id} is short of ${missing} helpers, ${come.length} are to come`, at);
  const stay = [...helpers.keys()].filter((id) => fitters.includes(id));
  if (stay.length !== named.length || stay.some((id) => !named.includes(id)))
    x.breach("crew", `${r.job.id} is under way: who is on all of it stays on all of it`, at);
  const able = (id: string, d: (typeof parts)[number]) => {
    const f = x.problem.fitters.find((k) => k.id === id);
    const learnt = named.includes(id) || (f !== undefined && holds(f, d.ticket) && level(f, d.skill) >= Math.max(1, d.level ?? 1));
    return learnt && helpers.get(id) === JSON.stringify(minutesOf(r, d.during!));
  };
  const who = [...helpers.keys()];
  if (!seatAll(who.length, parts.length, (h, d) => able(who[h], parts[d])))
    x.breach("crew", `${r.job.id}: its helpers are not there for the part that is asked`, at);
}

/** Plain backtracking with memory of hopeless seats (augmenting search from each demand). */
function seatAll(demands: number, people: number, able: (d: number, f: number) => boolean): boolean {
  const holder = new Array<number>(people).fill(-1);
  const find = (d: number, tried: Set<number>): boolean => {
    for (let f = 0; f < people; f++) {
      if (tried.has(f) || !able(d, f)) continue;
      tried.add(f);
      if (holder[f] < 0 || find(holder[f], tried)) {
        holder[f] = d;
        return true;
      }
    }
    return false;
  };
  for (let d = 0; d < demands; d++) if (!find(d, new Set())) return false;
  return true;
}

function place(x: Case, r: Row): void {
  const { job, plan, build } = r;
  const at = { job: job.id };
  if (job.place === "bench") {
    if (plan.place !== "bench") x.breach("bay", `${job.id} is bench work, planned in ${plan.place}`, at);
    return;
  }
  if (r.started) return;
  if (plan.place === "yard") {
    if (!job.yardOk || x.problem.yard.work === false) x.breach("bay", `${job.id} may not be done in the yard`, at);
    const has = x.problem.yard.has ?? [];
    if ((job.bay ?? []).some((k) => !has.includes(k))) x.breach("bay", `${job.id} asks ${job.bay!.join(", ")}, which the yard lacks`, at);
    return;
  }
  const bay = x.problem.bays.find((b) => b.id === plan.place);
  if (!bay) return x.breach("bay", `${job.id} is planned in ${plan.place}, which is no place for a van`, at);
  if ((job.bay ?? []).some((k) => !bay.has.includes(k)))
    x.breach("bay", `${job.id} asks ${job.bay!.join(", ")}, which ${bay.id} lacks`, at);
  if (bay.maxHeightMm !== undefined && build.heightMm > bay.maxHeightMm) x.breach("bay", `${build.id} is too high for ${bay.id}`, at);
  if (bay.maxLengthMm !== undefined && build.lengthMm > bay.maxLengthMm) x.breach("bay", `${build.id} is too long for ${bay.id}`, at);
}

/** Where no roof is over it, work that minds the wind is not done on a day that blows harder. */
function wind(x: Case, r: Row): void {
  const most = r.job.needs?.maxWindMs;
  if (!r.van || most === undefined || x.hours.indoor(r.plan.place)) return;
  for (const [a, b] of r.work)
    for (let day = x.zone.dayOf(a); day <= x.zone.dayOf(b - 1); day++) {
      const has = x.hours.weatherOn(day)?.windMs ?? 0;
      if (has > most) return x.breach("conditions", `${r.job.id} takes no more than ${most} m/s of wind, has ${has}`, { job: r.job.id });
    }
}

function temperature(x: Case, r: Row): void {
  const least = r.job.needs?.minTempC;
  const most = r.job.needs?.maxTempC;
  if (!r.van || (least === undefined && most === undefined)) return;
  const kept = x.hours.kept(r.plan.place) !== undefined;
  const needed = least === undefined ? undefined : least + (kept ? 0 : x.hours.lag(r.job));
  for (const [a, b] of r.work)
    for (let day = x.zone.dayOf(a); day <= x.zone.dayOf(b - 1); day++) {
      const t = x.hours.temperature(r.plan.place, day, "mean");
      const [from, to] = [Math.max(a, x.zone.dayStart(day)), Math.min(b, x.zone.dayStart(day + 1))];
      if (t !== undefined && needed !== undefined && t < needed && (kept || x.hours.unheated(r.plan.place, from, to, needed).length))
        return x.breach("conditions", `${r.job.id} needs ${needed} °C, has ${t}`, { job: r.job.id });
      const slot = kept ? undefined : x.hours.heatedTo(r.plan.place, from, to);
      if (slot !== undefined && most !== undefined && slot > most)
        return x.breach("conditions", `${r.job.id} takes no more than ${most} °C, is heated to ${slot}`, { job: r.job.id });
      const high = x.hours.warmest(r.plan.place, day, from, to);
      // Where work is under way is a fact, as warm as it is kept there; only the sky can still be waited for.
      if (r.started && x.hours.kept(r.plan.place) !== undefined) continue;
      if (high !== undefined && most !== undefined && high > most)
        return x.breach("conditions", `${r.job.id} takes no more than ${most} °C, has ${high}`, { job: r.job.id });
    }
}
