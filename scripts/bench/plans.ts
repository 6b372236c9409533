// Whole workshops: first plan and search, with the checker's verdict on every plan. Each workshop in a process of its
// own, so that the memory told is what it takes.

import { execFileSync } from "node:child_process";
import { checkPlan } from "../../core/plan/check/check";
import type { Plan, Problem } from "../../core/plan/model";
import { makePlan } from "../../core/plan/planner";
import { readPlan, readProblem } from "../../core/plan/read";
import { workshop } from "../../core/plan/testing/workshop";
import { problemOf, type Workshop } from "./changes";
import { clock, ms, percent, table, timed } from "./table";

const SIZES = [
  { builds: 1, jobsPerBuild: 56 },
  { builds: 4, jobsPerBuild: 56 },
  { builds: 8, jobsPerBuild: 56 },
  { builds: 20, jobsPerBuild: 60 },
  { builds: 40, jobsPerBuild: 75 },
];

const WORKSHOPS: Workshop[] = [true, false].flatMap((calm) =>
  SIZES.map((size) => ({ name: calm ? "in order" : "overloaded", ...size, calm })),
);

/** Milliseconds, all told, to plan each build with nobody else in the workshop. */
const ALONE = 10_000;

/** What one workshop gave: rows of the tables, and how many plans broke a rule. */
interface Measured {
  broken: number;
  size: string[];
  parts: string[];
}

const faultsOf = (p: Problem, plan: Plan): number => checkPlan(p, readPlan(plan)).length;
const total = (p: Plan) => p.cost?.total ?? 0;
const late = (p: Plan) => p.builds.filter((b) => (b.lateWorkingMinutes ?? 0) > 0).length;
const verdict = (faults: number) => (faults ? `${faults} BROKEN` : "valid");

/** The cost if no build ever waited for another: each planned alone. What a plan costs above it is at most what could be gained. */
function costAlone(problem: Problem): number {
  let sum = 0;
  for (const b of problem.builds) {
    const own = new Set(b.jobs.map((j) => j.id));
    const jobs = b.jobs.map((j) => ({ ...j, after: j.after?.filter((a) => own.has(a.job)) }));
    sum += total(makePlan({ ...problem, builds: [{ ...b, jobs }] }, { ms: ALONE / problem.builds.length, clock }));
  }
  return sum;
}

/** Measures one workshop by its place in the list. */
export function measure(index: number): Measured {
  const set = WORKSHOPS[index];
  // Warms the compiler up, so that the first plan is not charged for it.
  for (let seed = 1; seed < 4; seed++) makePlan(readProblem(workshop({ seed, builds: 3, jobsPerBuild: 30 })), { iterations: 4 });
  const problem = problemOf(set);
  const jobs = set.builds * set.jobsPerBuild;
  // No time for search: the first rule alone, written with all its reasons. The best of three runs.
  const runs = [1, 2, 3].map(() => timed(() => makePlan(problem, { ms: 0, clock })));
  const first = runs[0][0];
  const firstMs = Math.min(...runs.map((r) => r[1]));
  const one = makePlan(problem, { ms: 1000, clock });
  const five = makePlan(problem, { ms: 5000, clock });
  const memory = process.memoryUsage().rss;
  const broken = [first, one, five].reduce((n, p) => n + faultsOf(problem, p), 0);
  const gain = 1 - total(five) / total(first);
  const alone = 1 - costAlone(problem) / total(first);
  const size = [
    set.name,
    String(set.builds),
    String(jobs),
    ms(firstMs),
    `${(firstMs / jobs).toFixed(2)} ms`,
    String(Math.round(total(first))),
    percent(1 - total(one) / total(first)),
    percent(gain),
    percent(alone),
    // One build is alone anyway.
    alone > 0 && set.builds > 1 ? percent(gain / alone) : "",
    String(five.iterations),
    `${late(first)} / ${late(five)}`,
    String(five.unplaced.length),
    `${Math.round(memory / 1e6)} MB`,
    verdict(broken),
  ];
  const cost = five.cost!;
  const parts = [
    set.name,
    String(set.builds),
    ...[cost.late, cost.flow, cost.shunts, cost.overtime].map((x) => String(Math.round(x ?? 0))),
  ];
  return { broken, size, parts };
}

export function benchPlans(): { text: string; broken: number } {
  const all = WORKSHOPS.map((_, i): Measured => {
    const out = execFileSync(process.execPath, [...process.execArgv, process.argv[1], "bench", "one", String(i)], { encoding: "utf8" });
    const found: Measured = JSON.parse(out.trimEnd().split("\n").at(-1)!);
    for (const row of [found.size]) console.log(row.join("  "));
    return found;
  });
  const text = `## Plans

Two kinds of generated workshops. "In order": vans arrive at the pace of the people (three quarters of their hours), dates have some
air. "Overloaded": far more work than people, every date lost: the costs say how plans compare, not how a workshop fares.
First plan: one priority rule, with all reasons written (best of three runs). Gain: how much lower the cost is after one and five
seconds, rules and search together. If alone: how much lower it would be if no build ever waited for another, each planned with nobody
else there, ${ALONE / 1000} s for all of them; what there really is to gain lies far below that. Of that:
what five seconds gained, as a share of it. Late: builds after their date in the first plan and after five seconds.
Memory: of a process that plans this workshop and nothing else.

${table(
  [
    "workshop",
    "builds",
    "jobs",
    "first plan",
    "per job",
    "its cost",
    "gain 1 s",
    "gain 5 s",
    "if alone",
    "of that",
    "steps",
    "late",
    "unplaced",
    "memory",
    "checker",
  ],
  all.map((m) => m.size),
)}

Parts of the cost after five seconds:

${table(
  ["workshop", "builds", "late", "flow", "shunts", "overtime"],
  all.map((m) => m.parts),
)}
`;
  return { text, broken: all.reduce((n, m) => n + m.broken, 0) };
}
