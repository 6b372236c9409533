// Generated workshops for tests and benchmarks: any size, any seed, varying all that the format can say.

import { between, pick, type Random, random } from "../../rng";
import { type Problem, type ProblemBuild, type ProblemJob, plannedMinutes, startedOf } from "../model";

export interface Recipe {
  seed: number;
  builds: number;
  jobsPerBuild: number;
  fitters?: number;
  bays?: number;
  zone?: string;
  now?: string;
  /** Bring in everything unusual: night windows, absences, pins, started and done work, expired tickets, small yards. */
  wild?: boolean;
  /** Vans arrive as the people can take them on, and dates are such that most can be kept: a workshop in good order. */
  calm?: boolean;
  /** Second people are there for a part of the work only. */
  helpers?: boolean;
  /** Some work shares tools. */
  tools?: boolean;
  /** People new to some work, metal that lags behind the air, bays heated for some hours, weekdays with noise hours of their own. */
  slots?: boolean;
}

const SKILLS = ["body", "joinery", "trim", "electric", "plumbing", "paint"];
const ZONES = ["roof", "ceiling", "left", "right", "rear", "floor", "nose", "underside"];
const STAGES = ["strip", "openings", "insulation", "framing", "panels", "furniture", "services"];
const WEEK = ["mon", "tue", "wed", "thu", "fri"] as const;

const date = (base: number, days: number) => new Date(base + days * 86_400_000).toISOString().slice(0, 10);

/** A workshop in trouble enough to be interesting; deterministic by its recipe. */
export function workshop(recipe: Recipe): Problem {
  const r = random(recipe.seed);
  const wild = recipe.wild ?? false;
  const now = recipe.now ?? "2027-03-01T07:30";
  const base = Date.parse(`${now.slice(0, 10)}T00:00Z`);
  const nFitters = recipe.fitters ?? Math.max(4, Math.round(recipe.builds * 0.75));
  const nBays = recipe.bays ?? Math.max(2, Math.round(recipe.builds / 2));
  const day = [
    ["08:00", "12:00"],
    ["12:45", "17:00"],
  ];
  const problem: Problem = {
    format: "wide-lane/problem@1",
    zone: recipe.zone ?? "Europe/Lisbon",
    now,
    horizonDays: Math.max(200, recipe.builds * 12),
    calendars: [
      {
        id: "shop",
        week: Object.fromEntries(WEEK.map((d) => [d, day])),
        closed: wild ? [date(base, between(r, 1, 20))] : [],
        extra: [{ date: date(base, 5), windows: [["08:00", "12:00"]], overtime: true }],
      },
      {
        id: "early",
        week: Object.fromEntries(WEEK.map((d) => [d, [["06:30", "14:30"]]])),
      },
      ...(wild ? [{ id: "night", week: Object.fromEntries(WEEK.map((d) => [d, [["20:00", "24:00"]]])) }] : []),
    ],
    noiseHours: ["08:30", "17:30"],
    weather: weather(r, base, wild),
    bays: Array.from({ length: nBays }, (_, i) => ({
      id: `b${i + 1}`,
      name: `Bay ${i + 1}`,
      has: i === nBays - 1 && wild ? ["wash", "roof-access"] : ["indoor", "heated", "lit", ...(i % 2 ? [] : ["lift", "roof-access"])],
      tempC: 18,
      ...(i % 3 === 2 ? { maxHeightMm: 2700 } : { maxHeightMm: 4200 }),
      ...(wild && r() < 0.4 ? { closed: [[`${date(base, between(r, 1, 12))}T08:00`, `${date(base, between(r, 13, 16))}T17:00`]] } : {}),
      ...(wild && r() < 0.3 ? { calendar: "shop" } : {}),
    })),
    yard: {
      places: wild ? between(r, recipe.builds > 3 ? 2 : 1, recipe.builds + 1) : recipe.builds + 2,
      has: ["roof-access", "wash"],
      work: !wild || r() < 0.8,
    },
    fitters: Array.from({ length: nFitters }, (_, i) => fitter(r, i, base, wild)),
    shuntMinutes: pick(r, [0, 15, 20]),
    builds: [],
  };
  for (let i = 0; i < recipe.builds; i++) problem.builds.push(build(r, i, recipe, base, problem, wild));
  if (recipe.calm) calmDown(r, problem, base);
  if (recipe.tools) toolsIn(random(recipe.seed + 2_000_000), problem, base, !!recipe.slots);
  if (recipe.slots) slotsIn(random(recipe.seed + 3_000_000), problem, base);
  if (recipe.helpers) helpersIn(random(recipe.seed + 1_000_000), problem);
  return problem;
}

/**
 * Whoever comes second is asked for some minutes: at the beginning, in the middle, at the end, sometimes for more than there are.
 * Work under way is short of one who is to come, or has one on it who is free again behind the part.
 */
function helpersIn(r: Random, p: Problem): void {
  for (const b of p.builds)
    for (const j of b.jobs)
      if (j.crew.length > 1 && r() < 0.8) {
        const all = plannedMinutes(j.minutes);
        const from = r() < 0.25 ? 0 : between(r, 1, Math.max(1, all - 5));
        const to = r() < 0.25 ? all + 30 : between(r, from + 1, all + 1);
        j.crew[j.crew.length - 1].during = { from, to };
      }
  const on = new Set(p.builds.flatMap((b) => b.jobs.flatMap((j) => startedOf(j)?.fitters ?? [])));
  for (const b of p.builds)
    for (const j of b.jobs) {
      const started = startedOf(j);
      if (!started || j.crew.length !== 1 || r() < 0.2) continue;
      const from = r() < 0.3 ? 0 : between(r, 1, started.leftMinutes);
      j.crew.push({ skill: "any", during: { from, to: between(r, from + 1, started.leftMinutes + 20) } });
      const second = r() < 0.5 ? p.fitters.find((f) => f.calendar === "shop" && !on.has(f.id)) : undefined;
      if (!second) continue;
      on.add(second.id);
      started.fitters.push(second.id);
      started.helpers = [second.id];
    }
}

/** Wind, heat by the hour in bays that have none, work on metal that minds it, and noise hours by weekday. */
function slotsIn(r: Random, p: Problem, base: number): void {
  p.noiseWeek = {
    sat: [],
    sun: [],
    [pick(r, WEEK)]: [["09:30", "12:00"], ...(r() < 0.5 ? [["14:00", "16:30"]] : [])],
    ...(r() < 0.2 ? { [pick(r, WEEK)]: [] } : {}),
  };
  if (r() < 0.7) p.skinBelowC = pick(r, [0, 2, 4.5]);
  for (const d of p.weather?.days ?? []) if (r() < 0.7) d.windMs = between(r, 1, 11);
  p.bays.forEach((bay, i) => {
    if (i % 2 && r() < 0.6) {
      bay.has = bay.has.filter((x) => x !== "heated");
      delete bay.tempC;
    }
    if (bay.has.includes("heated") && bay.tempC !== undefined) return;
    bay.warm = Array.from({ length: between(r, 0, 4) }, () => {
      const day = between(r, 0, 12);
      return {
        from: `${date(base, day)}T${pick(r, ["00:00", "06:30", "11:15"])}`,
        to: `${date(base, day + between(r, 1, 3))}T${pick(r, ["12:00", "17:00", "23:45"])}`,
        tempC: pick(r, [10, 14, 19, 23]),
      };
    });
  });
  for (const b of p.builds)
    for (const j of b.jobs) {
      if (r() < 0.3) j.slow = p.fitters.filter(() => r() < 0.4).map((f) => ({ fitter: f.id, factor: pick(r, [1.2, 1.5]) }));
      if (j.place === "van" && r() < 0.2) j.needs = { ...j.needs, maxWindMs: pick(r, [6, 8]) };
      const minds = j.needs?.minTempC !== undefined || j.hold?.minTempC !== undefined;
      if (minds && r() < 0.6) j.needs = { ...j.needs, metal: true };
    }
}

/** A few shared tools, one that stays with the work until the bond lets go. */
function toolsIn(r: Random, p: Problem, base: number, hours: boolean): void {
  p.tools = [
    { id: "laser", pieces: 1 },
    { id: "clamps", name: "Clamps", pieces: between(r, 2, 6) },
    { id: "saw", pieces: between(r, 1, 2) },
  ];
  if (hours) {
    // A machine that neighbours hear, and one that is hired and goes back for some days.
    p.tools[2].hours = [`0${between(r, 7, 9)}:30`, `1${between(r, 2, 7)}:00`];
    p.tools[0].closed = [[`${date(base, between(r, 3, 9))}T00:00`, `${date(base, between(r, 10, 20))}T12:00`]];
  }
  for (const b of p.builds)
    for (const j of b.jobs) {
      const asks = [
        ...(r() < 0.12 ? [{ id: "laser" }] : []),
        ...(j.hold && r() < 0.5 ? [{ id: "clamps", count: between(r, 1, 3), held: true }] : []),
        ...(r() < 0.15 ? [{ id: "saw" }] : []),
      ];
      if (asks.length) j.tools = asks;
    }
}

/** Arrivals at the pace at which the people get work done (three quarters of their hours), and dates with air. */
function calmDown(r: Random, p: Problem, base: number): void {
  const HOURS = 8.25;
  let arrival = 0;
  p.builds.forEach((b, i) => {
    const hours = b.jobs.reduce((t, j) => t + (plannedMinutes(j.minutes) / 60) * j.crew.reduce((n, d) => n + (d.count ?? 1), 0), 0);
    const alone = b.jobs.reduce((t, j) => t + plannedMinutes(j.minutes) / 60, 0);
    // Those that are here already are under way, so to speak: shorter.
    if (i >= p.bays.length / 2) arrival += hours / (p.fitters.length * HOURS * 0.75);
    const weekdays = (days: number) => Math.floor(days / 5) * 7 + Math.floor(days % 5);
    b.arrives = `${date(base, weekdays(arrival))}T08:00`;
    b.due = `${date(base, weekdays(arrival + (0.9 * alone) / HOURS + between(r, 6, 14)))}T17:00`;
    delete b.at;
    if (arrival === 0) b.at = p.bays[i].id;
    for (const j of b.jobs) if (j.partsFrom) j.partsFrom = `${date(base, weekdays(arrival + between(r, 1, 12)))}T10:00`;
  });
}

function weather(r: Random, base: number, wild: boolean): Problem["weather"] {
  return {
    days: Array.from({ length: 16 }, (_, i) => {
      const low = between(r, 2, 9);
      return {
        date: date(base, i),
        sunrise: "06:55",
        sunset: "18:32",
        dry: r() < 0.3 ? [] : r() < 0.5 ? [["08:00", "15:00"]] : [["00:00", "24:00"]],
        tempC: [low, low + between(r, 3, 9)],
      };
    }),
    ...(wild && r() < 0.4 ? {} : { default: { sunrise: "06:40", sunset: "18:50", dry: [["00:00", "24:00"]], tempC: [9, 17] } }),
  };
}

function fitter(r: Random, i: number, base: number, wild: boolean): Problem["fitters"][number] {
  const own = SKILLS[i % SKILLS.length];
  return {
    id: `f${i + 1}`,
    name: `Fitter ${i + 1}`,
    calendar: wild && r() < 0.15 ? "night" : r() < 0.2 ? "early" : "shop",
    // Pairs overlap, so that four fitters together have every skill.
    skills: { [pick(r, SKILLS)]: 1, [SKILLS[(i + 3) % SKILLS.length]]: 2, [SKILLS[(i + 1) % SKILLS.length]]: 2, [own]: 3 },
    tickets: r() < 0.4 ? [{ id: "gas", until: wild && r() < 0.5 ? date(base, between(r, 0, 30)) : "2029-12-31" }] : [],
    away: r() < 0.3 ? [[`${date(base, between(r, 1, 9))}T10:00`, `${date(base, between(r, 10, 14))}T12:00`]] : [],
  };
}

function build(r: Random, i: number, recipe: Recipe, base: number, p: Problem, wild: boolean): ProblemBuild {
  const id = `k${i + 1}`;
  const jobs = jobsOf(r, id, recipe.jobsPerBuild, base, wild);
  const b: ProblemBuild = {
    id,
    name: `Build ${i + 1}`,
    arrives: `${date(base, i < p.bays.length ? 0 : between(r, 0, 5 + i * 2))}T08:00`,
    due: `${date(base, 20 + between(r, 0, 20 + i * 3))}T17:00`,
    weight: pick(r, [1, 1, 2]),
    heightMm: pick(r, [2550, 2800]),
    lengthMm: 6000,
    insideCrew: between(r, 2, 3),
    jobs,
  };
  if (i < p.bays.length && r() < 0.6) {
    b.at = p.bays[i].id;
    if (wild) facts(r, b, p);
  }
  if (wild) {
    for (const j of jobs)
      if (j.state === "todo" && r() < 0.04)
        j.pin = pick(r, [
          { start: `${date(base, between(r, 1, 15))}T09:00` },
          { fitters: [pick(r, p.fitters).id] },
          { bay: j.place === "van" ? pick(r, p.bays).id : "bench" },
        ]);
    const last = p.builds.at(-1);
    if (last && r() < 0.2) jobs.at(-1)!.after!.push({ job: last.jobs[0].id, ignoreHold: true });
  }
  return b;
}

function jobsOf(r: Random, id: string, n: number, base: number, wild: boolean): ProblemJob[] {
  const jobs: ProblemJob[] = [];
  for (let k = 0; k < n; k++) {
    const stage = STAGES[Math.floor((k * STAGES.length) / n)];
    const van = r() < 0.75;
    const likely = between(r, 4, 28) * 15;
    const inside = r() < 0.7;
    const job: ProblemJob = {
      id: `${id}.${k + 1}`,
      stage,
      name: `Job ${k + 1}`,
      minutes: r() < 0.8 ? { best: Math.round(likely * 0.6), likely, worst: Math.round(likely * 2) } : likely,
      place: van ? "van" : "bench",
      zones: van ? (r() < 0.1 ? [] : [...new Set([pick(r, ZONES), inside ? "floor" : pick(r, ZONES)])]) : [],
      crew: [
        { skill: r() < 0.15 ? "any" : pick(r, SKILLS), level: between(r, 1, 2) },
        ...(r() < 0.3 ? [{ skill: "any", count: wild && r() < 0.05 ? 4 : 1 }] : []),
      ],
      after: [],
      state: "todo",
    };
    if (wild && r() < 0.02) job.crew = [];
    for (let back = 1; back <= 3; back++)
      if (k - back >= 0 && r() < (back === 1 ? 0.7 : 0.25))
        job.after!.push({
          job: `${id}.${k + 1 - back}`,
          ...(r() < 0.1 ? { lag: between(r, 10, 200), lagKind: pick(r, ["elapsed", "working"] as const) } : {}),
          ...(r() < 0.1 ? { ignoreHold: true } : {}),
        });
    if (r() < 0.2) {
      job.hold = { minutes: pick(r, [60, 240, 720, 960, 1440]) };
      if (r() < 0.4) job.hold.still = true;
      if (r() < 0.4) job.hold.keepOff = r() < 0.2 ? "all" : [pick(r, ZONES)];
      if (r() < 0.2) job.hold.minTempC = pick(r, [5, 8]);
    }
    if (van && r() < 0.3) {
      job.needs = {};
      if (r() < 0.5) job.needs.dry = true;
      if (r() < 0.5) job.needs.daylight = true;
      if (r() < 0.4) job.needs.minTempC = pick(r, [8, 12, 15]);
      if (wild && r() < 0.2) job.needs.maxTempC = pick(r, [16, 20, 22]);
    }
    if (r() < 0.2) job.needs = { ...job.needs, noisy: true };
    if (r() < 0.15 && likely < 240) job.needs = { ...job.needs, sameDay: true };
    if (van && r() < 0.25) job.yardOk = true;
    if (van && r() < 0.2) job.bay = [pick(r, ["lift", "roof-access", "indoor"])];
    if (r() < 0.1) job.partsFrom = `${date(base, between(r, 1, 18))}T10:00`;
    if (r() < 0.04) job.notBefore = `${date(base, between(r, 1, 10))}T13:15`;
    if (wild && r() < 0.05) job.crew[0] = { skill: "any", ticket: "gas", level: 1 };
    if (k > 2 && r() < 0.15) {
      const covered = jobs[between(r, Math.max(0, k - 6), k - 1)];
      if (covered.proofApproved === undefined) covered.proofApproved = r() < 0.3;
      job.covers = [covered.id];
    }
    jobs.push(job);
  }
  return jobs;
}

/** Lets a standing van have some work behind it, and one job under way. */
function facts(r: Random, b: ProblemBuild, p: Problem): void {
  const busy = new Set(
    p.builds.flatMap((x) => x.jobs.flatMap((j) => (typeof j.state === "object" && "started" in j.state ? j.state.started.fitters : []))),
  );
  const past = Date.parse(`${p.now}Z`);
  const at = (hoursAgo: number) => new Date(past - hoursAgo * 3_600_000).toISOString().slice(0, 16);
  const done = between(r, 0, Math.min(6, b.jobs.length - 2));
  for (let k = 0; k < done; k++) {
    const hours = (done - k) * 5;
    b.jobs[k].state = {
      done: {
        start: at(hours + 4),
        end: at(hours),
        bay: b.jobs[k].place === "van" ? b.at! : "bench",
        fitters: b.jobs[k].crew.length ? [pick(r, p.fitters).id] : [],
      },
    };
  }
  const free = p.fitters.find((f) => !busy.has(f.id) && f.calendar === "shop");
  const next = b.jobs[done];
  if (free && next.crew.length === 1 && !next.crew[0].ticket && r() < 0.7)
    next.state = {
      started: { start: at(2), bay: next.place === "van" ? b.at! : "bench", fitters: [free.id], leftMinutes: between(r, 20, 300) },
    };
}
