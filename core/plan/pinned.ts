// Trying a pin before it is set: would it hold, what would move, and if not, by which rule and when it could.

import { type Zone, zoneOf } from "../time/zone";
import { diffPlans, type Move } from "./diff";
import type { Plan, Problem, ProblemFitter, ProblemJob } from "./model";
import { makePlan } from "./planner";
import { readProblem } from "./read";
import { sayDay, sayTime } from "./words";

export interface Wish {
  /** Local time. */
  start?: string;
  bay?: string;
  fitters?: string[];
}

export interface Verdict {
  kept: boolean;
  /** What forbids it: a kind of reason of the plan, or "crew" or "bay" for who and where. */
  rule?: string;
  /** In words, with when or how it could be done. */
  text?: string;
  /** Where the job would stand instead: its place in the plan round the wish. */
  could?: { start: string; place: string; fitters: string[] };
  /** What moves against the plan given. */
  moves: Move[];
}

/** What forbids people or place whatever else is planned; undefined where nothing does. */
export function obstacle(problem: Problem, jobId: string, wish: Wish): { rule: "crew" | "bay"; text: string } | undefined {
  const zone = zoneOf(problem.zone);
  const build = problem.builds.find((b) => b.jobs.some((j) => j.id === jobId));
  const job = build?.jobs.find((j) => j.id === jobId);
  if (!build || !job) return { rule: "bay", text: "there is no such job in the plan" };
  for (const id of wish.fitters ?? []) {
    const f = problem.fitters.find((x) => x.id === id);
    if (!f) return { rule: "crew", text: "there is no such fitter" };
    const why = job.crew.map((d) => unable(zone, problem, f, d));
    if (job.crew.length === 0) return { rule: "crew", text: `${job.name} needs nobody` };
    if (why.every((w) => w !== undefined)) {
      const able = problem.fitters.filter((x) => job.crew.some((d) => unable(zone, problem, x, d) === undefined)).map((x) => x.name);
      return { rule: "crew", text: `${f.name} ${why[0]}; ${able.length ? `${able.join(", ")} could` : "nobody could"}` };
    }
  }
  if (wish.bay !== undefined) {
    const text = unfit(problem, build, job, wish.bay);
    if (text) {
      const places = [...problem.bays.map((b) => b.id), "yard", "bench"].filter((p) => unfit(problem, build, job, p) === undefined);
      const names = places.map((p) => problem.bays.find((b) => b.id === p)?.name ?? `the ${p}`);
      return { rule: "bay", text: `${text}; ${names.length ? `${names.join(", ")} would do` : "no place would do"}` };
    }
  }
  return undefined;
}

function unable(zone: Zone, problem: Problem, f: ProblemFitter, d: ProblemJob["crew"][number]): string | undefined {
  const level = Math.max(1, d.level ?? 1);
  const own = d.skill === "any" ? Math.max(0, ...Object.values(f.skills)) : (f.skills[d.skill] ?? 0);
  if (own < level) return d.skill === "any" ? `has no skill at level ${level}` : `has ${d.skill} at level ${own}, ${level} is needed`;
  if (!d.ticket) return undefined;
  const ticket = f.tickets?.find((t) => t.id === d.ticket);
  if (!ticket) return `has no ${d.ticket} ticket`;
  if (ticket.until && ticket.until < problem.now.slice(0, 10))
    return `has a ${d.ticket} ticket that ran out on ${sayDay(zone, zone.parse(`${ticket.until}T12:00`))}`;
  return undefined;
}

function unfit(problem: Problem, build: Problem["builds"][number], job: ProblemJob, place: string): string | undefined {
  if (place === "bench") return job.place === "bench" ? undefined : `${job.name} is done on the van`;
  if (job.place === "bench") return `${job.name} is bench work`;
  const bay = problem.bays.find((b) => b.id === place);
  const name = bay?.name ?? "the yard";
  const has = bay?.has ?? problem.yard.has ?? [];
  if (!bay && place !== "yard") return "there is no such bay";
  if (!bay && (problem.yard.work === false || !job.yardOk)) return `${job.name} is not done in the yard`;
  const missing = (job.bay ?? []).find((p) => !has.includes(p));
  if (missing) return `${name} has no ${missing}`;
  if (bay?.maxHeightMm !== undefined && build.heightMm > bay.maxHeightMm)
    return `${name} takes ${bay.maxHeightMm} mm of height, ${build.name} has ${build.heightMm}`;
  if (bay?.maxLengthMm !== undefined && build.lengthMm > bay.maxLengthMm)
    return `${name} takes ${bay.maxLengthMm} mm of length, ${build.name} has ${build.lengthMm}`;
  const temp = bay?.has.includes("heated") ? bay.tempC : undefined;
  const needed = Math.max(job.needs?.minTempC ?? Number.NEGATIVE_INFINITY, job.hold?.minTempC ?? Number.NEGATIVE_INFINITY);
  const most = job.needs?.maxTempC;
  if (temp !== undefined && most !== undefined && temp > most)
    return `${name} is kept at ${temp} °C, ${job.name} takes no more than ${most}`;
  if (temp !== undefined && temp < needed) return `${name} is kept at ${temp} °C, ${job.name} needs ${needed}`;
  return undefined;
}

/**
 * Plans round a wish without setting it: a repair of the plan given (`at hand`), no search. The problem is one as
 * `readProblem` returns it.
 */
export function tryPin(problem: Problem, atHand: Plan, jobId: string, wish: Wish): Verdict {
  const zone = zoneOf(problem.zone);
  const forbidden = obstacle(problem, jobId, wish);
  if (forbidden) return { kept: false, ...forbidden, moves: [] };
  if (wish.start !== undefined && wish.start < problem.now)
    return { kept: false, rule: "now", text: `nothing is planned before ${sayTime(zone, zone.parse(problem.now))}`, moves: [] };
  const next: Problem = { ...structuredClone(problem), published: { ...atHand, jobs: atHand.jobs.map(({ why: _why, ...j }) => j) } };
  const job = next.builds.flatMap((b) => b.jobs).find((j) => j.id === jobId)!;
  job.pin = { ...job.pin, ...wish };
  const plan = makePlan(readProblem(next), { iterations: 0, local: true });
  const facts = new Set(next.builds.flatMap((b) => b.jobs.filter((j) => j.state !== "todo").map((j) => j.id)));
  const { moves } = diffPlans(zone, atHand, plan, facts);
  const here = plan.jobs.find((j) => j.id === jobId);
  const could = here && { start: here.start, place: here.place, fitters: here.fitters };
  const broken = plan.pinsBroken.find((p) => p.job === jobId) ?? plan.unplaced.find((u) => u.job === jobId);
  if (!broken) {
    const before = new Set(atHand.pinsBroken.map((p) => p.job));
    const other = plan.pinsBroken.find((p) => !before.has(p.job));
    if (other) return { kept: false, rule: "pin", text: `another pin would break: ${other.reason}`, could, moves };
    return { kept: true, could, moves };
  }
  const why = here?.why?.[0];
  const reason = here && why ? `${why.text}; it could start ${sayTime(zone, zone.parse(here.start))}` : broken.reason;
  return { kept: false, rule: why?.kind ?? "pin", text: `${job.name} can't be there: ${reason}`, could, moves };
}
