// The independent checker: reads a problem and a plan and names every hard rule that is broken. Shares no code with the planner.

import { type Zone, zoneOf } from "../../time/zone";
import { doneOf, type Plan, type PlanJob, type Problem, type ProblemBuild, type ProblemJob, startedOf } from "../model";
import { checkFacts } from "./facts";
import { Hours } from "./hours";
import { checkReport } from "./report";
import { checkStays } from "./stays";
import { checkTools } from "./tools";
import { checkWork } from "./work";
import { checkZones } from "./zones";

export type RuleName =
  | "complete"
  | "precedence"
  | "crew"
  | "calendar"
  | "bay"
  | "stay"
  | "zone"
  | "conditions"
  | "parts"
  | "proof"
  | "tool"
  | "facts"
  | "report";

export interface Breach {
  rule: RuleName;
  job?: string;
  build?: string;
  text: string;
}

export interface Row {
  job: ProblemJob;
  build: ProblemBuild;
  plan: PlanJob;
  start: number;
  end: number;
  holdEnd: number;
  /** From when it occupies its zones and place: a started job from now on. */
  from: number;
  work: [number, number][];
  van: boolean;
  done: boolean;
  started: boolean;
}

export interface Case {
  problem: Problem;
  plan: Plan;
  zone: Zone;
  hours: Hours;
  now: number;
  rows: Map<string, Row>;
  breach(rule: RuleName, text: string, at?: { job?: string; build?: string }): void;
}

/** Every broken rule of a plan for a problem (both as read by `read.ts`); empty when the plan is valid. */
export function checkPlan(problem: Problem, plan: Plan): Breach[] {
  const breaches: Breach[] = [];
  const zone = zoneOf(problem.zone);
  const x: Case = {
    problem,
    plan,
    zone,
    hours: new Hours(problem, zone),
    now: zone.parse(problem.now),
    rows: new Map(),
    breach: (rule, text, at) => breaches.push({ rule, text, ...at }),
  };
  collect(x);
  checkPrecedence(x);
  checkWork(x);
  checkFacts(x);
  checkZones(x);
  checkStays(x);
  checkTools(x);
  checkReport(x);
  return breaches;
}

function collect(x: Case): void {
  const jobs = new Map(x.problem.builds.flatMap((b) => b.jobs.map((j) => [j.id, { job: j, build: b }] as const)));
  const unplaced = new Set<string>();
  for (const u of x.plan.unplaced) {
    if (!jobs.has(u.job)) x.breach("complete", `unplaced names ${u.job}, which the problem does not have`);
    if (unplaced.has(u.job)) x.breach("complete", `${u.job} is unplaced twice`, { job: u.job });
    unplaced.add(u.job);
  }
  for (const p of x.plan.jobs) {
    const known = jobs.get(p.id);
    if (!known) {
      x.breach("complete", `the plan has ${p.id}, which the problem does not have`);
      continue;
    }
    if (x.rows.has(p.id)) x.breach("complete", `${p.id} is planned twice`, { job: p.id });
    if (unplaced.has(p.id)) x.breach("complete", `${p.id} is planned and unplaced`, { job: p.id });
    const { job, build } = known;
    const start = x.zone.parse(p.start);
    const end = x.zone.parse(p.end);
    const started = startedOf(job) !== undefined;
    x.rows.set(p.id, {
      job,
      build,
      plan: p,
      start,
      end,
      // A hold that would be over at a time that exists twice is over at the end of that hour.
      holdEnd: job.hold?.minutes ? x.zone.sayable(end + job.hold.minutes) : end,
      from: started ? x.now : start,
      work: (p.work ?? []).map(([a, b]) => [x.zone.parse(a), x.zone.parse(b)]),
      van: job.place === "van",
      done: doneOf(job) !== undefined,
      started,
    });
  }
  for (const [id, { job }] of jobs) {
    if (!x.rows.has(id) && !unplaced.has(id)) x.breach("complete", `${id} is neither planned nor unplaced`, { job: id });
    if (!x.rows.has(id) || doneOf(job) || startedOf(job)) continue;
    const missing = [...(job.after ?? []).map((a) => a.job), ...(job.covers ?? [])].find((k) => unplaced.has(k));
    if (missing) x.breach("complete", `${id} is planned though it follows ${missing}, which is unplaced`, { job: id });
  }
}

function checkPrecedence(x: Case): void {
  for (const r of x.rows.values()) {
    if (r.done || r.started) continue;
    for (const a of r.job.after ?? []) {
      const p = x.rows.get(a.job);
      if (!p) continue;
      const from = a.ignoreHold ? p.end : p.holdEnd;
      const lag = a.lag ?? 0;
      if (r.start < from + (a.lagKind === "working" ? 0 : lag))
        x.breach("precedence", `${r.job.id} starts ${r.plan.start}, before ${a.job} and its wait are over`, { job: r.job.id });
      else if (a.lagKind === "working" && lag > 0) {
        const passed = x.hours.calendar("shop", from, r.start).reduce((n, [s, e]) => n + e - s, 0);
        if (r.start <= from || passed < lag)
          x.breach("precedence", `${r.job.id} starts after ${passed} of ${lag} working minutes behind ${a.job}`, { job: r.job.id });
      }
    }
    if (r.job.partsFrom && r.start < x.zone.parse(r.job.partsFrom))
      x.breach("parts", `${r.job.id} starts ${r.plan.start}, its parts are there from ${r.job.partsFrom}`, { job: r.job.id });
    for (const k of r.job.covers ?? []) {
      const covered = x.rows.get(k);
      if (covered?.job.proofApproved !== false) continue;
      if (r.start < covered.end) x.breach("proof", `${r.job.id} starts before ${k}, which it covers, is over`, { job: r.job.id });
      if (!r.plan.why?.some((w) => w.kind === "proof"))
        x.breach("proof", `${r.job.id} covers ${k} without approved proof and does not say so`, { job: r.job.id });
    }
  }
}
