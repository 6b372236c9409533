// Candidate measures to gain a day for a build, by what its work waits for in the plan. Whether they gain anything is tried in
// gain.ts.

import { WEEKDAYS } from "../time/calendar";
import { formatDate, weekdayOf, type Zone } from "../time/zone";
import { earlyShift, heating } from "./measure-heat";
import type { Plan, Problem, ProblemJob } from "./model";
import { plannedMinutes } from "./model";
import { sayDay } from "./words";

export interface Measure {
  kind:
    | "saturday"
    | "late-shift"
    | "part"
    | "first"
    | "skill"
    | "hands"
    | "bay"
    | "tool"
    | "heat"
    | "early-shift"
    | "swap"
    | "bench"
    | "drop"
    | "prepare"
    | "pair";
  /** What to do, in words. */
  text: string;
  /** What it costs, in words. */
  price: string;
  /** Fitter-hours outside usual hours; 0 where none. */
  hours: number;
  /** How these hours are paid; "asked": money that only a supplier or a landlord can name. */
  pay: "overtime" | "hired" | "asked";
  /** What it costs besides hours, where that is known. */
  money?: number;
  /** Takes the measure in a problem of its own. */
  take(p: Problem): void;
}

/** The id under which a measure sets a build's bench work apart. */
export const apart = (build: string): string => `${build} on the bench`;

/** Candidate measures for a build, by what its work waits for in the plan. */
export function measures(problem: Problem, plan: Plan, buildId: string, zone: Zone): Measure[] {
  const build = problem.builds.find((b) => b.id === buildId);
  const result = plan.builds.find((b) => b.id === buildId);
  if (!build || !result?.finish) return [];
  const now = zone.parse(problem.now);
  const end = zone.parse(result.finish);
  const planned = new Map(plan.jobs.map((j) => [j.id, j]));
  const open = build.jobs.filter((j) => j.state === "todo" && planned.has(j.id));
  const load = new Map<string, number>();
  for (const j of open) for (const f of planned.get(j.id)!.fitters) load.set(f, (load.get(f) ?? 0) + plannedMinutes(j.minutes));
  const busiest = [...load].sort((a, b) => b[1] - a[1]).map(([f]) => problem.fitters.find((x) => x.id === f)!);
  return [
    ...saturdays(problem, zone, now, end, busiest[0]?.id),
    ...lateShift(problem, zone, now, busiest[0]?.id),
    ...parts(zone, open, planned),
    first(build.id),
    ...training(problem, open, planned),
    ...hands(zone, now, busiest[0]),
    ...anotherBay(problem, build.id, open, planned),
    ...anotherTool(problem, open, planned),
    ...heating(problem, open, planned, zone),
    ...earlyShift(problem, open, planned, zone),
    ...swaps(problem, build.id, open, planned),
    ...benchForward(build, open),
  ];
}

/** The next two Saturdays before the build's end, for everybody and for its busiest fitter alone. */
function saturdays(problem: Problem, zone: Zone, now: number, end: number, fitter: string | undefined): Measure[] {
  const out: Measure[] = [];
  const today = zone.dayOf(now);
  const first = today + ((5 - weekdayOf(today) + 7) % 7 || 7);
  for (const day of [first, first + 7]) {
    if (zone.dayStart(day) >= end) break;
    const date = formatDate(day);
    const words = sayDay(zone, zone.dayStart(day));
    const windows = [["08:00", "12:00"]];
    out.push({
      kind: "saturday",
      text: `everybody works ${words}, 08:00 to 12:00`,
      price: `${4 * problem.fitters.length} extra hours`,
      hours: 4 * problem.fitters.length,
      pay: "overtime",
      take: (p) => {
        for (const c of p.calendars) c.extra = [...(c.extra ?? []).filter((e) => e.date !== date), { date, windows, overtime: true }];
      },
    });
    if (fitter) out.push(alone(problem, fitter, "saturday", `works ${words}, 08:00 to 12:00`, 4, [{ date, windows, overtime: true }]));
  }
  return out;
}

/** A calendar of its own for one fitter, with extra hours on some dates. */
function alone(
  problem: Problem,
  fitter: string,
  kind: Measure["kind"],
  text: string,
  hours: number,
  extra: NonNullable<Problem["calendars"][number]["extra"]>,
): Measure {
  const name = problem.fitters.find((x) => x.id === fitter)!.name;
  const take = (p: Problem) => {
    const f = p.fitters.find((x) => x.id === fitter)!;
    const own = structuredClone(p.calendars.find((c) => c.id === f.calendar)!);
    own.id = `${own.id} + ${kind}`;
    const dates = new Set(extra.map((e) => e.date));
    own.extra = [...(own.extra ?? []).filter((e) => !dates.has(e.date)), ...extra];
    p.calendars.push(own);
    f.calendar = own.id;
    // Bays that keep shop hours have to be open for it.
    for (const b of p.bays) if (b.calendar) delete b.calendar;
  };
  return { kind, text: `${name} ${text}`, price: `${hours} extra hours`, hours, pay: "overtime", take };
}

/** Two hours more on each of the next five days that the busiest fitter works. */
function lateShift(problem: Problem, zone: Zone, now: number, fitter: string | undefined): Measure[] {
  const f = problem.fitters.find((x) => x.id === fitter);
  const calendar = problem.calendars.find((c) => c.id === f?.calendar);
  if (!f || !calendar) return [];
  const extra: NonNullable<Problem["calendars"][number]["extra"]> = [];
  for (let day = zone.dayOf(now) + 1; extra.length < 5 && day < zone.dayOf(now) + 14; day++) {
    const usual = calendar.week[WEEKDAYS[weekdayOf(day)]] ?? [];
    const date = formatDate(day);
    if (!usual.length || calendar.closed?.includes(date) || calendar.extra?.some((e) => e.date === date)) continue;
    const last =
      usual
        .map((w) => w[1])
        .sort()
        .at(-1) ?? "00:00";
    if (last > "21:30") continue;
    const until = `${String(+last.slice(0, 2) + 2).padStart(2, "0")}${last.slice(2)}`;
    extra.push({ date, windows: usual, overtime: false }, { date, windows: [[last, until]], overtime: true });
    if (extra.length / 2 === 5) break;
  }
  if (!extra.length) return [];
  const days = extra.length / 2;
  return [alone(problem, f.id, "late-shift", `stays two hours longer on ${days} days`, 2 * days, extra)];
}

/** Each of the two parts that the build's work waits for most, two days earlier. */
function parts(zone: Zone, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>): Measure[] {
  const waiting = open
    .filter(
      (j) =>
        j.partsFrom &&
        planned
          .get(j.id)!
          .why?.slice(0, 2)
          .some((w) => w.kind === "part"),
    )
    .slice(0, 2);
  return waiting.map((j) => {
    return {
      kind: "part",
      text: `the parts of ${j.name} come two days earlier`,
      price: "a call or a courier",
      hours: 0,
      pay: "asked",
      take: (p) => {
        // Together with another measure it may be a job that the build has no more, or one set apart.
        const job = p.builds.flatMap((b) => b.jobs).find((x) => x.id === j.id);
        if (job) job.partsFrom = zone.show(zone.parse(j.partsFrom!) - 2 * 1440);
      },
    };
  });
}

/** This build before all others. */
const first = (buildId: string): Measure => ({
  kind: "first",
  text: "this build goes before all others",
  price: "the others wait",
  hours: 0,
  pay: "overtime",
  take: (p) => {
    for (const b of p.builds) if (b.id === buildId) b.weight *= 8;
  },
});

/** The busiest fitter's twin for five days from tomorrow: hired, or lent by a neighbour. */
function hands(zone: Zone, now: number, busiest: Problem["fitters"][number] | undefined): Measure[] {
  if (!busiest) return [];
  const from = zone.dayStart(zone.dayOf(now) + 1);
  const to = zone.dayStart(zone.dayOf(now) + 8);
  return [
    {
      kind: "hands",
      text: `a second pair of hands like ${busiest.name}'s for a week from tomorrow`,
      price: "a week's pay for a hired hand",
      hours: 40,
      pay: "hired",
      take: (p) => {
        const away = [
          [zone.show(now), zone.show(from)],
          [zone.show(to), zone.show(to + 3000 * 1440)],
        ];
        p.fitters.push({ ...structuredClone(busiest), id: `${busiest.id} second`, name: `second ${busiest.name}`, away });
      },
    },
  ];
}

/** Where the work waits for a bay: one more like it. */
function anotherBay(problem: Problem, buildId: string, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>): Measure[] {
  const waits = new Map<string, number>();
  for (const j of open) {
    const p = planned.get(j.id)!;
    if (p.why?.slice(0, 2).some((w) => w.kind === "bay" || w.kind === "yard")) waits.set(p.place, (waits.get(p.place) ?? 0) + 1);
  }
  const [top] = [...waits].sort((a, b) => b[1] - a[1]);
  const bay = problem.bays.find((b) => b.id === top?.[0]);
  if (!bay || !problem.builds.some((b) => b.id === buildId)) return [];
  return [
    {
      kind: "bay",
      text: `one more bay like ${bay.name}`,
      price: "room for a van, cleared or rented",
      hours: 0,
      pay: "asked",
      take: (p) => void p.bays.push({ ...structuredClone(bay), id: `${bay.id} more`, name: `another ${bay.name}`, closed: [] }),
    },
  ];
}

/** One more of the shared tool that most of the build's work waits for. */
function anotherTool(problem: Problem, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>): Measure[] {
  const buildJobs = new Map(problem.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  const waits = new Map<string, number>();
  for (const j of open)
    for (const w of planned.get(j.id)!.why?.slice(0, 2) ?? []) {
      if (w.kind !== "tool" || !w.ref) continue;
      const both = j.tools?.filter((t) => buildJobs.get(w.ref!)?.tools?.some((o) => o.id === t.id)) ?? [];
      for (const t of both) waits.set(t.id, (waits.get(t.id) ?? 0) + 1);
    }
  const [top] = [...waits].sort((a, b) => b[1] - a[1]);
  const tool = problem.tools?.find((t) => t.id === top?.[0]);
  if (!tool) return [];
  return [
    {
      kind: "tool",
      text: `one more of the ${tool.name ?? tool.id}`,
      price: "bought, hired or lent",
      hours: 0,
      pay: "asked",
      take: (p) => void p.tools!.find((t) => t.id === tool.id)!.pieces++,
    },
  ];
}

/** The two builds whose people and bays this one waits for most: it goes before each of them. */
function swaps(problem: Problem, buildId: string, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>): Measure[] {
  const buildOf = new Map(problem.builds.flatMap((b) => b.jobs.map((j) => [j.id, b] as const)));
  const waits = new Map<Problem["builds"][number], number>();
  for (const j of open) {
    const mine = planned.get(j.id)!;
    const kind = mine.why?.[0]?.kind;
    if (kind !== "fitter" && kind !== "bay") continue;
    // Whose work ended last before it with one of its people, or at its place.
    let last: { end: string; build: Problem["builds"][number] } | undefined;
    for (const p of planned.values()) {
      const build = buildOf.get(p.id);
      if (!build || build.id === buildId || p.end > mine.start || (last && p.end <= last.end)) continue;
      if (kind === "fitter" ? p.fitters.some((f) => mine.fitters.includes(f)) : p.place === mine.place) last = { end: p.end, build };
    }
    if (last) waits.set(last.build, (waits.get(last.build) ?? 0) + 1);
  }
  return [...waits]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 2)
    .map(([other]) => ({
      kind: "swap",
      text: `it changes places with ${other.name}`,
      price: `${other.name} waits`,
      hours: 0,
      pay: "overtime",
      take: (p) => {
        const mine = p.builds.find((b) => b.id === buildId)!;
        const theirs = p.builds.find((b) => b.id === other.id)!;
        mine.weight *= 4;
        theirs.weight /= 4;
        if (theirs.due < mine.due) [mine.due, theirs.due] = [theirs.due, mine.due];
      },
    }));
}

/** Bench work that waits for nothing on the van goes first of all, whatever its date. */
function benchForward(build: Problem["builds"][number], open: ProblemJob[]): Measure[] {
  const bench = new Set(open.filter((j) => j.place === "bench").map((j) => j.id));
  const done = new Set(build.jobs.filter((j) => typeof j.state === "object" && "done" in j.state).map((j) => j.id));
  // What follows van work that is still to do stays with the van.
  for (let n = -1; n !== bench.size; ) {
    n = bench.size;
    for (const j of build.jobs)
      if (bench.has(j.id) && [...(j.after ?? []).map((a) => a.job), ...(j.covers ?? [])].some((x) => !bench.has(x) && !done.has(x)))
        bench.delete(j.id);
  }
  if (!bench.size) return [];
  return [
    {
      kind: "bench",
      text: `its bench work comes forward (${bench.size} ${bench.size === 1 ? "job" : "jobs"})`,
      price: "the others' bench work waits",
      hours: 0,
      pay: "overtime",
      take: (p) => {
        const mine = p.builds.find((b) => b.id === build.id)!;
        p.builds.push({
          ...mine,
          id: apart(build.id),
          at: undefined,
          due: p.now,
          weight: mine.weight * 3,
          jobs: mine.jobs.filter((j) => bench.has(j.id)),
        });
        mine.jobs = mine.jobs.filter((j) => !bench.has(j.id));
      },
    },
  ];
}

/** Where the work waits for a fitter: another one who could do it too. */
function training(problem: Problem, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>): Measure[] {
  const waits = new Map<string, number>();
  for (const j of open) {
    if (planned.get(j.id)!.why?.[0]?.kind !== "fitter") continue;
    for (const d of j.crew)
      if (d.skill !== "any" && !d.ticket) waits.set(`${d.skill} ${d.level ?? 1}`, (waits.get(`${d.skill} ${d.level ?? 1}`) ?? 0) + 1);
  }
  const [top] = [...waits].sort((a, b) => b[1] - a[1]);
  if (!top) return [];
  const [skill, level] = [top[0].slice(0, top[0].lastIndexOf(" ")), Number(top[0].slice(top[0].lastIndexOf(" ") + 1))];
  const pupil = problem.fitters
    .filter((f) => (f.skills[skill] ?? 0) < level)
    .sort((a, b) => (b.skills[skill] ?? 0) - (a.skills[skill] ?? 0) || Object.keys(a.skills).length - Object.keys(b.skills).length)[0];
  if (!pupil) return [];
  return [
    {
      kind: "skill",
      text: `${pupil.name} learns ${skill} to level ${level}`,
      price: "time with somebody who can",
      hours: 0,
      pay: "overtime",
      take: (p) => {
        p.fitters.find((f) => f.id === pupil.id)!.skills[skill] = level;
      },
    },
  ];
}
