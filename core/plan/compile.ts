// A problem made ready for the planner: minutes instead of wall times, indexes instead of ids, look-ups instead of rules.

import { AHEAD_DAYS, lastOfWalk } from "../time/bounds";
import { always, openHours } from "../time/calendar";
import type { OpenSet, Stretch } from "../time/openset";
import { DAY, type Minute, type Zone, zoneOf } from "../time/zone";
import { DEFAULT_WEIGHTS, doneOf, type Plan, type Problem, type ProblemJob, plannedMinutes, startedOf } from "./model";
import { clampPart, mostAtOnce, type Part } from "./part";
import { toolHours, weatherSets } from "./sky";
import { classes, fillMatrices, type Matrices } from "./tables";
import { gateFinder, type ToolAsk } from "./tools";
import { skinBelow } from "./warm";

export const BENCH = -1;

export interface Demand {
  skill: string;
  level: number;
  ticket?: string;
  /** Fitters who have the skill at the level and hold the ticket (whose last good minute is in `ticketEnd`). */
  fitters: number[];
  /** The same as places in the job's `candidates`. */
  candidates: number[];
  /** There for these minutes of the work only. */
  part?: Part;
}

export interface Link {
  job: number;
  lag: number;
  working: boolean;
  ignoreHold: boolean;
  /** Not a precedence of the list but a cover whose proof is still asked. */
  proof: boolean;
}

export interface Job {
  index: number;
  id: string;
  name: string;
  build: number;
  /** Place in the build's matrices `meets` and `keepsOff`. */
  row: number;
  minutes: number;
  van: boolean;
  /** Places it may use, in the problem's order: bay indexes, and the yard's index. */
  places: number[];
  /** One entry a fitter asked for. */
  demands: Demand[];
  /** Every fitter who could fill one of the demands. */
  candidates: number[];
  /** Some are there for a part only: crews stand in the order of the demands, those for all of it first. */
  partial: boolean;
  /** By candidate: the part that they could be there for, where they can do nothing else of it. */
  parts: readonly (Part | undefined)[];
  hasZone: boolean;
  /** Its crew counts against insideCrew. */
  inside: boolean;
  /** The most of its people who are there at once. */
  aboard: number;
  dry: boolean;
  daylight: boolean;
  noisy: boolean;
  sameDay: boolean;
  minTempC?: number;
  maxTempC?: number;
  maxWindMs?: number;
  /** So much warmer the air has to be for it where nothing is heated throughout: metal lags behind. */
  lagC: number;
  /** By fitter: how many times as long it takes, for those new to its kind. */
  slow?: ReadonlyMap<number, number>;
  hold: number;
  still: boolean;
  holdTempC?: number;
  before: Link[];
  followers: number[];
  covers: number[];
  /** Shared tools it needs: each from its start on. */
  tools: ToolAsk[];
  /** Which hours of machines bind its work: a place in `gates`. */
  gate: number;
  /** No start before this: now, parts, not-before and, for van work, arrival. */
  release: Minute;
  partsFrom?: Minute;
  notBefore?: Minute;
  pin?: { start?: Minute; place?: number; fitters?: number[] };
  /** Under way: those on it in the order of the demands; whether it is still short of helpers; tickets somebody on it has to hold. */
  started?: { start: Minute; place: number; fitters: number[]; left: number; seeks: boolean; tickets: { id: string; whole: boolean }[] };
  done?: { start: Minute; end: Minute; place: number; fitters: number[] };
  published?: { start: Minute; end: Minute; holdUntil: Minute; place: number; fitters: number[] };
}

export interface Place {
  id: string;
  name: string;
  open: OpenSet;
  /** Equal for places with the same opening hours; 0 for those that never close. */
  openClass: number;
  indoor: boolean;
  lit: boolean;
  /** Always this warm; undefined: as warm as the day. */
  tempC?: number;
  /** Hours in which it is heated, where it is not always. */
  warm: { from: Minute; to: Minute; tempC: number }[];
}

export interface Build extends Matrices {
  index: number;
  id: string;
  name: string;
  jobs: number[];
  /** Those of its jobs that are done inside the van. */
  inside: number[];
  arrives: Minute;
  due: Minute;
  weight: number;
  insideCrew: number;
  at?: number;
}

export interface Fitter {
  id: string;
  name: string;
  open: OpenSet;
  /** Equal for fitters with the same hours and absences: a crew's hours depend on nothing else. */
  openClass: number;
  /** Highest level of any skill. */
  best: number;
  skills: Record<string, number>;
  /** Sum of levels: what using this fitter where a lesser one would do wastes. */
  breadth: number;
  tickets: Map<string, Minute>;
}

export interface Compiled {
  problem: Problem;
  zone: Zone;
  now: Minute;
  horizon: Minute;
  /** What is published to begin before this is put elsewhere only where nothing else helps. */
  frozen: Minute;
  jobs: Job[];
  builds: Build[];
  fitters: Fitter[];
  /** The bays, then the yard. */
  places: Place[];
  yard: number;
  yardPlaces: number;
  shunt: number;
  tools: { id: string; name: string; pieces: number; open?: OpenSet }[];
  /** Hours of the machines that jobs work with, one after the other; the first: of those that work with none, or at any hour. */
  gates: (OpenSet | undefined)[];
  shop: OpenSet;
  /** Working minutes of an ordinary shop day, to turn minutes into days. */
  dayMinutes: number;
  overtime: OpenSet;
  overtimeOf: OpenSet[];
  dry: OpenSet;
  light: OpenSet;
  noise?: OpenSet;
  /** Stretches of wall time that occur twice. */
  repeated: Stretch[];
  /** The same, also behind the horizon and before now: where holds may end. */
  twice: Stretch[];
  weights: { late: number; flow: number; shunts: number; churn: number; overtime: number };
  /** Days on which the mean (kind "mean") or the low falls short of a temperature. */
  cold(kind: "mean" | "low", tempC: number): OpenSet;
  /** When a day is warmer than a temperature. */
  hot(tempC: number): OpenSet;
  /** Days on which it blows harder than so many metres a second. */
  windy(windMs: number): OpenSet;
  jobIndex: Map<string, number>;
}

const OUTSIDE = new Set(["roof", "underside", "outside"]);

/** Compiles a problem that has been read (readProblem). */
export function compile(problem: Problem): Compiled {
  const zone = zoneOf(problem.zone);
  const now = zone.parse(problem.now);
  const days = problem.horizonDays ?? 365;
  const horizon = Math.min(now + days * DAY, zone.toUtc(zone.toLocal(now) + days * DAY));
  // Back to the oldest due date and on to the longest hold, so that lateness is counted in full.
  // A due date that lies further away than anybody plans is a slip of the finger: it widens nothing.
  const dues = problem.builds.map((b) => Math.min(Math.max(zone.parse(b.due), now - AHEAD_DAYS * DAY), now + AHEAD_DAYS * DAY));
  const longest = Math.max(0, ...problem.builds.flatMap((b) => b.jobs.map((j) => j.hold?.minutes ?? 0)));
  const first = zone.dayOf(Math.min(now, ...dues)) - 1;
  const last = lastOfWalk(first, zone.dayOf(Math.max(horizon + longest, ...dues)) + 1);
  const calendars = new Map(problem.calendars.map((c) => [c.id, openHours(zone, c, first, last)]));
  const shop = calendars.get("shop")!;
  const whole = always(zone.dayStart(first), zone.dayStart(last + 1));
  const sky = weatherSets(problem, zone, first, last, whole);

  const placeClass = classes();
  placeClass(whole);
  const fitterClass = classes();
  const places: Place[] = problem.bays.map((b) => ({
    id: b.id,
    name: b.name,
    open: (b.calendar ? calendars.get(b.calendar)!.open : whole).without(spans(zone, b.closed)),
    openClass: 0,
    indoor: b.has.includes("indoor"),
    lit: b.has.includes("lit"),
    tempC: b.has.includes("heated") ? b.tempC : undefined,
    warm: (b.warm ?? []).map((w) => ({ from: zone.parse(w.from), to: zone.parse(w.to), tempC: w.tempC })),
  }));
  const yard = places.length;
  const yardHas = problem.yard.has ?? [];
  places.push({
    id: "yard",
    name: "the yard",
    open: whole,
    openClass: 0,
    indoor: yardHas.includes("indoor"),
    lit: yardHas.includes("lit"),
    warm: [],
  });
  const placeIndex = new Map(places.map((p, i) => [p.id, i]));
  placeIndex.set("bench", BENCH);

  const fitters: Fitter[] = problem.fitters.map((f) => ({
    id: f.id,
    name: f.name,
    open: calendars.get(f.calendar)!.open.without(spans(zone, f.away)),
    openClass: 0,
    best: Math.max(0, ...Object.values(f.skills)),
    skills: f.skills,
    breadth: Object.values(f.skills).reduce((a, b) => a + b, 0),
    tickets: new Map((f.tickets ?? []).map((t) => [t.id, t.until ? zone.dayStart(dayAfter(t.until)) : Number.POSITIVE_INFINITY])),
  }));
  for (const p of places) p.openClass = placeClass(p.open);
  for (const f of fitters) f.openClass = fitterClass(f.open);
  const fitterIndex = new Map(fitters.map((f, i) => [f.id, i]));

  const c: Compiled = {
    problem,
    zone,
    now,
    horizon,
    frozen: problem.frozenUntil ? zone.parse(problem.frozenUntil) : Number.NEGATIVE_INFINITY,
    jobs: [],
    builds: [],
    fitters,
    places,
    yard,
    yardPlaces: problem.yard.places,
    shunt: problem.shuntMinutes,
    tools: (problem.tools ?? []).map((t) => ({
      id: t.id,
      name: t.name ?? t.id,
      pieces: t.pieces,
      open: toolHours(t, zone, first, last, spans(zone, t.closed), whole),
    })),
    gates: [undefined],
    shop: shop.open,
    dayMinutes: ordinaryDay(shop.open, zone, first, last),
    overtime: shop.overtime,
    overtimeOf: problem.fitters.map((f) => calendars.get(f.calendar)!.overtime),
    ...sky,
    repeated: zone.repeated(now, horizon),
    twice: zone.repeated(zone.dayStart(first), zone.dayStart(last + 1)),
    weights: { ...DEFAULT_WEIGHTS, ...problem.weights },
    jobIndex: new Map(),
  };
  addJobs(c, placeIndex, fitterIndex);
  return c;
}

const dayAfter = (date: string) => Date.parse(`${date}T00:00Z`) / 86_400_000 + 1;

const spans = (zone: Zone, list: readonly (readonly string[])[] | undefined): Stretch[] =>
  (list ?? []).map(([a, b]) => [zone.parse(a), zone.parse(b)]);

/** The commonest length of an open day: the shop's working day. */
function ordinaryDay(shop: OpenSet, zone: Zone, first: number, last: number): number {
  const seen = new Map<number, number>();
  for (let d = first; d <= Math.min(last, first + 120); d++) {
    const m = shop.minutes(zone.dayStart(d), zone.dayStart(d + 1));
    if (m > 0) seen.set(m, (seen.get(m) ?? 0) + 1);
  }
  const best = [...seen].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0];
  return best ? best[0] : 480;
}

function addJobs(c: Compiled, placeIndex: Map<string, number>, fitterIndex: Map<string, number>): void {
  const { problem, zone, now } = c;
  const asked = new Set<string>();
  for (const b of problem.builds)
    for (const j of b.jobs) {
      c.jobIndex.set(j.id, c.jobIndex.size);
      if (j.proofApproved === false) asked.add(j.id);
    }
  const published = new Map(problem.published?.jobs.map((j) => [j.id, j]) ?? []);
  const facts = (f: { start: string; bay: string; fitters: string[] }) => ({
    start: zone.parse(f.start),
    place: placeIndex.get(f.bay)!,
    fitters: f.fitters.map((id) => fitterIndex.get(id)!),
  });
  const able = ableFitters(c);
  const sharedCandidates = candidatesOf(c);
  const gateOf = gateFinder(c);
  problem.builds.forEach((b, bi) => {
    const build: Build = {
      index: bi,
      id: b.id,
      name: b.name,
      jobs: [],
      inside: [],
      arrives: zone.parse(b.arrives),
      due: zone.parse(b.due),
      weight: b.weight,
      insideCrew: b.insideCrew,
      at: b.at === undefined ? undefined : placeIndex.get(b.at),
      n: b.jobs.length,
      meets: new Uint8Array(b.jobs.length ** 2),
      keepsOff: new Uint8Array(b.jobs.length ** 2),
      near: [],
    };
    c.builds.push(build);
    b.jobs.forEach((j, row) => {
      const van = j.place === "van";
      const partsFrom = j.partsFrom ? zone.parse(j.partsFrom) : undefined;
      const notBefore = j.notBefore ? zone.parse(j.notBefore) : undefined;
      const started = startedOf(j);
      const done = doneOf(j);
      const pub = published.get(j.id);
      const minutes = started ? Math.max(1, started.leftMinutes) : plannedMinutes(j.minutes);
      const demands = started
        ? demandsUnderWay(able, j, started, minutes, (id) => fitterIndex.get(id)!)
        : demandsOf(able, j, done ? undefined : minutes);
      const { candidates, places: seats } = sharedCandidates(demands);
      demands.forEach((d, k) => {
        d.candidates = seats[k];
      });
      const partial = demands.some((d) => d.part);
      const job: Job = {
        index: c.jobs.length,
        id: j.id,
        name: j.name,
        build: bi,
        row,
        minutes,
        van,
        places: van ? placesFor(c, b, j) : [],
        demands,
        candidates,
        partial,
        parts: partial
          ? candidates.map((f) => {
              const fills = demands.filter((d) => d.fitters.includes(f));
              return fills.every((d) => d.part) ? fills[0].part : undefined;
            })
          : NO_PARTS,
        hasZone: van && j.zones.length > 0,
        inside: van && j.zones.some((z) => !OUTSIDE.has(z)),
        aboard: mostAtOnce(demands),
        dry: van && !!j.needs?.dry,
        daylight: van && !!j.needs?.daylight,
        noisy: !!j.needs?.noisy,
        sameDay: !!j.needs?.sameDay,
        minTempC: van ? j.needs?.minTempC : undefined,
        maxTempC: van ? j.needs?.maxTempC : undefined,
        maxWindMs: van ? j.needs?.maxWindMs : undefined,
        // What is under way was begun on metal that was warm enough; what is left is held to the air.
        lagC: j.needs?.metal && !started ? skinBelow(c.problem) : 0,
        slow: j.slow?.length && !started ? new Map(j.slow.map((s) => [fitterIndex.get(s.fitter)!, s.factor])) : undefined,
        hold: j.hold?.minutes ?? 0,
        still: van && !!j.hold?.still,
        holdTempC: van ? j.hold?.minTempC : undefined,
        before: [
          ...(j.after ?? []).map((a) => ({
            job: c.jobIndex.get(a.job)!,
            lag: a.lag ?? 0,
            working: a.lagKind === "working",
            ignoreHold: !!a.ignoreHold,
            proof: false,
          })),
          ...(j.covers ?? [])
            .filter((x) => asked.has(x))
            .map((x) => ({ job: c.jobIndex.get(x)!, lag: 0, working: false, ignoreHold: true, proof: true })),
        ],
        followers: [],
        tools: (j.tools ?? []).map((t) => ({ tool: c.tools.findIndex((x) => x.id === t.id), count: t.count ?? 1, held: !!t.held })),
        gate: gateOf((j.tools ?? []).map((t) => c.tools.findIndex((x) => x.id === t.id))),
        covers: (j.covers ?? []).map((x) => c.jobIndex.get(x)!),
        release: Math.max(now, partsFrom ?? now, notBefore ?? now, van ? zone.parse(b.arrives) : now),
        partsFrom,
        notBefore,
        pin: j.pin && {
          start: j.pin.start ? zone.parse(j.pin.start) : undefined,
          place: j.pin.bay === undefined ? undefined : placeIndex.get(j.pin.bay),
          fitters: j.pin.fitters?.map((f) => fitterIndex.get(f)!),
        },
        started: started && {
          ...facts(started),
          fitters: demands.slice(0, started.fitters.length).map((d) => d.fitters[0]),
          left: minutes,
          seeks: demands.length > started.fitters.length,
          tickets: j.crew.flatMap((d) => (d.ticket ? [{ id: d.ticket, whole: !d.during }] : [])),
        },
        done: done && { ...facts(done), end: zone.parse(done.end) },
        published: pub && {
          start: zone.parse(pub.start),
          end: zone.parse(pub.end),
          holdUntil: zone.parse(pub.holdUntil ?? pub.end),
          place: placeIndex.get(pub.place) ?? BENCH,
          fitters: helpersLast(pub)
            .map((f) => fitterIndex.get(f))
            .filter((f) => f !== undefined),
        },
      };
      build.jobs.push(job.index);
      if (job.inside) build.inside.push(job.index);
      c.jobs.push(job);
    });
    fillMatrices(build, b.jobs);
  });
  for (const j of c.jobs) for (const l of j.before) c.jobs[l.job].followers.push(j.index);
}

/** Who can fill a demand, by skill, level and ticket; found once for all jobs that ask alike. */
function ableFitters(c: Compiled): (skill: string, level: number, ticket: string | undefined) => number[] {
  const known = new Map<string, number[]>();
  return (skill, level, ticket) => {
    const key = `${skill} ${level} ${ticket ?? ""}`;
    let list = known.get(key);
    if (!list) {
      list = c.fitters
        .map((f, i) => ({ f, i }))
        .filter(({ f }) => (skill === "any" ? f.best >= Math.max(1, level) : (f.skills[skill] ?? 0) >= Math.max(1, level)))
        .filter(({ f }) => !ticket || (f.tickets.get(ticket) ?? 0) > c.now)
        .map(({ i }) => i);
      known.set(key, list);
    }
    return list;
  };
}

const NO_PARTS: readonly undefined[] = [];

/**
 * Everybody who could fill one of some demands, and by demand where in that list; found once for all jobs whose demands have the
 * same lists. Fewest talents first: a job takes the one whose skills it wastes least.
 */
function candidatesOf(c: Compiled): (demands: readonly Demand[]) => { candidates: number[]; places: number[][] } {
  const known = new Map<string, { candidates: number[]; places: number[][] }>();
  return (demands) => {
    const key = demands.map((d) => d.fitters.join(",")).join(";");
    let found = known.get(key);
    if (!found) {
      const candidates = [...new Set(demands.flatMap((d) => d.fitters))].sort(
        (x, y) => c.fitters[x].breadth - c.fitters[y].breadth || x - y,
      );
      found = { candidates, places: demands.map((d) => d.fitters.map((f) => candidates.indexOf(f))) };
      known.set(key, found);
    }
    return found;
  };
}

/** The fitters of a planned job, those who are there for a part of it behind the others. */
export function helpersLast(p: Pick<Plan["jobs"][number], "fitters" | "helpers">): string[] {
  const helpers = new Set(p.helpers?.map((h) => h.fitter));
  return [...p.fitters].sort((a, b) => Number(helpers.has(a)) - Number(helpers.has(b)));
}

/** What a job asks for; the parts within so many minutes, none where no minutes are named (it is done). */
function demandsOf(able: ReturnType<typeof ableFitters>, j: ProblemJob, minutes?: number): Demand[] {
  const out: Demand[] = [];
  for (const d of j.crew) {
    const level = d.level ?? 1;
    const fitters = able(d.skill, level, d.ticket);
    const part = d.during && minutes !== undefined ? { part: clampPart(d.during, minutes) } : {};
    for (let k = 0; k < (d.count ?? 1); k++) out.push({ skill: d.skill, level, ticket: d.ticket, fitters, candidates: [], ...part });
  }
  // The pickiest demand first, so that a general helper never takes the only specialist; who is there for a part, last.
  return out.sort((a, b) => Number(!!a.part) - Number(!!b.part) || a.fitters.length - b.fitters.length);
}

/**
 * The same of a job under way: whoever is on it is a fact, to the end, or as a helper for the part asked; helpers it is still
 * short of are sought like those of any other job.
 */
function demandsUnderWay(
  able: ReturnType<typeof ableFitters>,
  j: ProblemJob,
  started: NonNullable<ReturnType<typeof startedOf>>,
  minutes: number,
  indexOf: (fitter: string) => number,
): Demand[] {
  const helpers = new Set(started.helpers);
  const asked = demandsOf(able, j, minutes);
  const parts = asked.filter((d) => d.part);
  const missing = Math.max(0, Math.min(parts.length - helpers.size, asked.length - started.fitters.length));
  const fact = (f: string) => ({ skill: "any", level: 0, ticket: undefined, fitters: [indexOf(f)], candidates: [] });
  const on = new Set(started.fitters.map(indexOf));
  return [
    ...started.fitters.filter((f) => !helpers.has(f)).map(fact),
    ...[...helpers].map((f, k) => ({ ...fact(f), part: parts[k].part })),
    ...parts.slice(helpers.size, helpers.size + missing).map((d) => ({ ...d, fitters: d.fitters.filter((f) => !on.has(f)) })),
  ];
}

function placesFor(c: Compiled, b: Problem["builds"][number], j: ProblemJob): number[] {
  const asked = j.bay ?? [];
  const out: number[] = [];
  c.problem.bays.forEach((bay, i) => {
    const warm = j.needs?.minTempC;
    const temp = c.places[i].tempC;
    if (
      asked.every((p) => bay.has.includes(p)) &&
      (bay.maxHeightMm === undefined || b.heightMm <= bay.maxHeightMm) &&
      (bay.maxLengthMm === undefined || b.lengthMm <= bay.maxLengthMm) &&
      !(warm !== undefined && temp !== undefined && temp < warm) &&
      !(j.needs?.maxTempC !== undefined && temp !== undefined && temp > j.needs.maxTempC) &&
      !(j.hold?.minTempC !== undefined && temp !== undefined && temp < j.hold.minTempC)
    )
      out.push(i);
  });
  const yardHas = c.problem.yard.has ?? [];
  if (j.yardOk && c.problem.yard.work !== false && asked.every((p) => yardHas.includes(p))) out.push(c.yard);
  return out;
}
