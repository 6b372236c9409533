// Reads a problem or a plan: shape first (schema), then sense (references, times, contradictions).

import { parseClock, parseDate, type Zone, zoneOf } from "../time/zone";
import { type Fault, InputError, reader } from "./fault";
import { doneOf, type Plan, type Problem, type ProblemJob, startedOf } from "./model";
import { planSchema, problemSchema } from "./schema";

const readProblemShape = reader<Problem>(problemSchema);
const readPlanShape = reader<Plan>(planSchema);

/** A plan from JSON. Throws InputError (shape only: whether it fits a problem is the checker's business). */
export function readPlan(json: unknown): Plan {
  return readPlanShape(json);
}

/** A problem from JSON. Throws InputError with every fault found. */
export function readProblem(json: unknown): Problem {
  const problem = readProblemShape(json);
  const faults = senseFaults(problem);
  if (faults.length) throw new InputError(faults);
  return problem;
}

type Say = (path: string, message: string) => void;

function senseFaults(p: Problem): Fault[] {
  const faults: Fault[] = [];
  const say: Say = (path, message) => faults.push({ path, message });
  let zone: Zone;
  try {
    zone = zoneOf(p.zone);
  } catch {
    return [{ path: "zone", message: `${p.zone} is no IANA time zone` }];
  }
  timeFaults(p, say);
  if (faults.length) return faults;
  const now = zone.parse(p.now);
  referenceFaults(p, say);
  if (faults.length) return faults;
  contradictionFaults(p, zone, now, say);
  cycleFaults(p, say);
  return faults;
}

/** Every time, date and window in the problem, walked generically: the schema has settled where they stand. */
function timeFaults(p: Problem, say: Say): void {
  const walk = (value: unknown, path: string): void => {
    if (typeof value === "string") {
      if (/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(value)) {
        const clock = parseClock(value.slice(11));
        if (Number.isNaN(parseDate(value.slice(0, 10))) || Number.isNaN(clock) || clock === 1440) say(path, `${value} is no date and time`);
      } else if (/^\d{4}-\d{2}-\d{2}$/.test(value) && Number.isNaN(parseDate(value))) say(path, `${value} is no date`);
    } else if (Array.isArray(value)) value.forEach((v, i) => walk(v, `${path}[${i}]`));
    else if (value && typeof value === "object") for (const [k, v] of Object.entries(value)) walk(v, path ? `${path}.${k}` : k);
  };
  walk(p, "");
  const window = (w: readonly string[], path: string) => {
    if (parseClock(w[0]) >= parseClock(w[1])) say(path, `${w[0]} to ${w[1]} does not run forward within one day`);
  };
  p.calendars.forEach((c, i) => {
    for (const [day, ws] of Object.entries(c.week)) ws?.forEach((w, k) => window(w, `calendars[${i}].week.${day}[${k}]`));
    c.extra?.forEach((e, k) => e.windows.forEach((w, m) => window(w, `calendars[${i}].extra[${k}].windows[${m}]`)));
  });
  if (p.noiseHours) window(p.noiseHours, "noiseHours");
  p.tools?.forEach((t, i) => t.hours && window(t.hours, `tools[${i}].hours`));
  for (const [day, ws] of Object.entries(p.noiseWeek ?? {})) ws?.forEach((w, k) => window(w, `noiseWeek.${day}[${k}]`));
  p.bays.forEach((b, i) =>
    b.warm?.forEach((w, k) => {
      if (w.to <= w.from) say(`bays[${i}].warm[${k}].to`, `${w.to} is not after ${w.from}`);
      if (b.has.includes("heated") && b.tempC !== undefined) say(`bays[${i}].warm[${k}]`, `${b.name} is kept at ${b.tempC} °C already`);
    }),
  );
  p.weather?.days?.forEach((d, i) => d.dry.forEach((w, k) => window(w, `weather.days[${i}].dry[${k}]`)));
  p.weather?.default?.dry.forEach((w, k) => window(w, `weather.default.dry[${k}]`));
}

function unique(items: readonly { id: string }[], path: string, say: Say): Set<string> {
  const seen = new Set<string>();
  items.forEach((x, i) => {
    if (seen.has(x.id)) say(`${path}[${i}].id`, `${x.id} stands twice`);
    seen.add(x.id);
  });
  return seen;
}

function referenceFaults(p: Problem, say: Say): void {
  const calendars = unique(p.calendars, "calendars", say);
  const bays = unique(p.bays, "bays", say);
  const fitters = unique(p.fitters, "fitters", say);
  unique(p.builds, "builds", say);
  if (!calendars.has("shop")) say("calendars", 'a calendar with id "shop" must exist');
  p.bays.forEach((b, i) => {
    if (b.id === "yard" || b.id === "bench") say(`bays[${i}].id`, `no bay may be called ${b.id}`);
    if (b.calendar && !calendars.has(b.calendar)) say(`bays[${i}].calendar`, `there is no calendar ${b.calendar}`);
  });
  p.fitters.forEach((f, i) => {
    if (!calendars.has(f.calendar)) say(`fitters[${i}].calendar`, `there is no calendar ${f.calendar}`);
  });
  const tools = new Set<string>();
  p.tools?.forEach((t, i) => {
    if (tools.has(t.id)) say(`tools[${i}].id`, `${t.id} stands twice`);
    tools.add(t.id);
  });
  const jobs = new Set<string>();
  p.builds.forEach((b, i) =>
    b.jobs.forEach((j, k) => {
      if (jobs.has(j.id)) say(`builds[${i}].jobs[${k}].id`, `${j.id} stands twice`);
      jobs.add(j.id);
    }),
  );
  const place = (id: string | undefined, path: string, bench: boolean) => {
    if (id !== undefined && !bays.has(id) && id !== "yard" && !(bench && id === "bench")) say(path, `there is no place ${id}`);
  };
  const crew = (ids: readonly string[] | undefined, path: string) =>
    ids?.forEach((f, i) => {
      if (!fitters.has(f)) say(`${path}[${i}]`, `there is no fitter ${f}`);
      if (ids.indexOf(f) !== i) say(`${path}[${i}]`, `${f} stands twice`);
    });
  p.builds.forEach((b, i) => {
    place(b.at, `builds[${i}].at`, false);
    b.jobs.forEach((j, k) => {
      const path = `builds[${i}].jobs[${k}]`;
      j.after?.forEach((a, m) => {
        if (!jobs.has(a.job)) say(`${path}.after[${m}].job`, `there is no job ${a.job}`);
      });
      j.covers?.forEach((c, m) => {
        if (!jobs.has(c)) say(`${path}.covers[${m}]`, `there is no job ${c}`);
      });
      j.crew.forEach((d, m) => {
        if (d.during && d.during.from >= d.during.to) say(`${path}.crew[${m}].during`, "ends before it begins");
      });
      j.tools?.forEach((t, m) => {
        if (!tools.has(t.id)) say(`${path}.tools[${m}].id`, `there is no tool ${t.id}`);
        if (j.tools!.findIndex((o) => o.id === t.id) !== m) say(`${path}.tools[${m}].id`, `${t.id} stands twice`);
      });
      if (j.crew.length && j.crew.every((d) => d.during)) say(`${path}.crew`, "somebody has to be there for all of it");
      const fact = startedOf(j) ?? doneOf(j);
      place(fact?.bay, `${path}.state.bay`, true);
      crew(fact?.fitters, `${path}.state.fitters`);
      crew(startedOf(j)?.helpers, `${path}.state.helpers`);
      place(j.pin?.bay, `${path}.pin.bay`, true);
      crew(j.pin?.fitters, `${path}.pin.fitters`);
      crew(
        j.slow?.map((s) => s.fitter),
        `${path}.slow`,
      );
    });
  });
}

function contradictionFaults(p: Problem, zone: Zone, now: number, say: Say): void {
  const inBay = new Map<string, string>();
  let inYard = 0;
  const busy = new Map<string, string>();
  p.builds.forEach((b, i) => {
    if (b.at === "yard") inYard++;
    else if (b.at) {
      const other = inBay.get(b.at);
      if (other) say(`builds[${i}].at`, `${other} and ${b.id} both stand in ${b.at} now`);
      inBay.set(b.at, b.id);
    }
    b.jobs.forEach((j, k) => stateFaults(p, zone, now, say, b.at, j, `builds[${i}].jobs[${k}]`, busy));
  });
  if (inYard > p.yard.places) say("yard.places", `${inYard} vans stand in the yard now, which has ${p.yard.places}`);
  p.bays.forEach((b, i) => b.closed?.forEach(([x, y], k) => forward(zone, x, y, `bays[${i}].closed[${k}]`, say)));
  p.tools?.forEach((t, i) => t.closed?.forEach(([x, y], k) => forward(zone, x, y, `tools[${i}].closed[${k}]`, say)));
  p.fitters.forEach((f, i) => f.away?.forEach(([x, y], k) => forward(zone, x, y, `fitters[${i}].away[${k}]`, say)));
}

function forward(zone: Zone, a: string, b: string, path: string, say: Say): void {
  if (zone.parse(a) > zone.parse(b)) say(path, `${a} to ${b} runs backward`);
}

function stateFaults(
  _p: Problem,
  zone: Zone,
  now: number,
  say: Say,
  at: string | undefined,
  j: ProblemJob,
  path: string,
  busy: Map<string, string>,
): void {
  const done = doneOf(j);
  const started = startedOf(j);
  if (done) {
    if (zone.parse(done.end) > now) say(`${path}.state.done.end`, `${j.id} is done after now`);
    if (zone.parse(done.start) > zone.parse(done.end)) say(`${path}.state.done`, `${j.id} ends before it starts`);
  }
  if (started) {
    if (zone.parse(started.start) > now) say(`${path}.state.started.start`, `${j.id} has started after now`);
    for (const f of started.fitters) {
      const other = busy.get(f);
      if (other) say(`${path}.state.started.fitters`, `${f} is on ${other} and on ${j.id} at once`);
      busy.set(f, j.id);
    }
    const parts = j.crew.reduce((n, d) => n + (d.during ? (d.count ?? 1) : 0), 0);
    for (const f of started.helpers ?? []) if (!started.fitters.includes(f)) say(`${path}.state.started.helpers`, `${f} is not on ${j.id}`);
    if ((started.helpers?.length ?? 0) > parts) say(`${path}.state.started.helpers`, `${j.id} asks nobody for a part of it`);
    if (started.helpers?.length && started.helpers.length >= started.fitters.length)
      say(`${path}.state.started.helpers`, "somebody has to be there for all of it");
    if (j.place === "van" && started.bay !== at)
      say(`${path}.state.started.bay`, `${j.id} is under way in ${started.bay}, but the van is ${at ? `in ${at}` : "off site"}`);
  }
  const fact = done ?? started;
  if (fact && (j.place === "bench") !== (fact.bay === "bench"))
    say(
      `${path}.state`,
      j.place === "bench" ? `${j.id} is bench work, not in ${fact.bay}` : `${j.id} is work on the van, not on the bench`,
    );
  const m = j.minutes;
  if (typeof m === "object" && !(m.best <= m.likely && m.likely <= m.worst))
    say(`${path}.minutes`, `best ${m.best}, likely ${m.likely}, worst ${m.worst} do not rise`);
}

/** What a job waits for: `after`, and the jobs it covers whose proof is still asked. */
export function waitsFor(p: Problem): Map<string, string[]> {
  const asked = new Set<string>();
  for (const b of p.builds) for (const j of b.jobs) if (j.proofApproved === false) asked.add(j.id);
  const out = new Map<string, string[]>();
  for (const b of p.builds)
    for (const j of b.jobs) out.set(j.id, [...(j.after ?? []).map((a) => a.job), ...(j.covers ?? []).filter((c) => asked.has(c))]);
  return out;
}

function cycleFaults(p: Problem, say: Say): void {
  const waits = waitsFor(p);
  const state = new Map<string, 1 | 2>();
  const trail: string[] = [];
  const visit = (id: string): boolean => {
    if (state.get(id) === 2) return false;
    if (state.get(id) === 1) {
      say("builds", `jobs wait for each other in a circle: ${[...trail.slice(trail.indexOf(id)), id].join(", then ")}`);
      return true;
    }
    state.set(id, 1);
    trail.push(id);
    for (const next of waits.get(id) ?? []) if (visit(next)) return true;
    trail.pop();
    state.set(id, 2);
    return false;
  };
  for (const id of waits.keys()) if (visit(id)) return;
}
