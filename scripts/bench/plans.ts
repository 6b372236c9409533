// Whole workshops: first plan, search and replan, with the checker's verdict on every plan.

import { checkPlan } from "../../core/plan/check/check";
import { diffPlans } from "../../core/plan/diff";
import type { Plan, Problem } from "../../core/plan/model";
import { makePlan } from "../../core/plan/planner";
import { readPlan, readProblem } from "../../core/plan/read";
import { workshop } from "../../core/plan/testing/workshop";
import { zoneOf } from "../../core/time/zone";
import { CHANGES, problemOf, published, type Workshop } from "./changes";
import { clock, ms, percent, table, timed } from "./table";

const SIZES = [
  { builds: 1, jobsPerBuild: 56 },
  { builds: 4, jobsPerBuild: 56 },
  { builds: 8, jobsPerBuild: 56 },
  { builds: 20, jobsPerBuild: 60 },
  { builds: 40, jobsPerBuild: 75 },
];

const faultsOf = (p: Problem, plan: Plan): number => checkPlan(p, readPlan(plan)).length;

export function benchPlans(): { text: string; broken: number } {
  let broken = 0;
  // Warms the compiler up, so that the first size is not charged for it.
  for (let seed = 1; seed < 4; seed++) makePlan(readProblem(workshop({ seed, builds: 3, jobsPerBuild: 30 })), { iterations: 4 });
  const sizes: string[][] = [];
  const parts: string[][] = [];
  const replans: string[][] = [];
  for (const calm of [true, false])
    for (const size of SIZES) {
      const set: Workshop = { name: calm ? "in order" : "overloaded", ...size, calm };
      const problem = problemOf(set);
      const jobs = size.builds * size.jobsPerBuild;
      // No time for search: the first rule alone, written with all its reasons. The best of three runs.
      const runs = [1, 2, 3].map(() => timed(() => makePlan(problem, { ms: 0, clock })));
      const first = runs[0][0];
      const firstMs = Math.min(...runs.map((r) => r[1]));
      const one = makePlan(problem, { ms: 1000, clock });
      const five = makePlan(problem, { ms: 5000, clock });
      const faults = [first, one, five].reduce((n, p) => n + faultsOf(problem, p), 0);
      broken += faults;
      const total = (p: Plan) => p.cost?.total ?? 0;
      const late = (p: Plan) => p.builds.filter((b) => (b.lateWorkingMinutes ?? 0) > 0).length;
      sizes.push([
        set.name,
        String(size.builds),
        String(jobs),
        ms(firstMs),
        `${(firstMs / jobs).toFixed(2)} ms`,
        String(Math.round(total(first))),
        percent(1 - total(one) / total(first)),
        percent(1 - total(five) / total(first)),
        String(five.iterations),
        `${late(first)} / ${late(five)}`,
        String(five.unplaced.length),
        `${Math.round(process.memoryUsage().rss / 1e6)} MB`,
        faults ? `${faults} BROKEN` : "valid",
      ]);
      const cost = five.cost!;
      parts.push([
        set.name,
        String(size.builds),
        ...[cost.late, cost.flow, cost.shunts, cost.overtime].map((x) => String(Math.round(x ?? 0))),
      ]);
      console.log(sizes.at(-1)!.join("  "));
      if (size.builds < 8) continue;
      for (const [name, change] of CHANGES) {
        const next = published(problem, five);
        change(next, five);
        const read = readProblem(next);
        const [plan, time] = timed(() => makePlan(read, { iterations: 0, local: true }));
        const bad = faultsOf(read, plan);
        broken += bad;
        const fresh = new Set(plan.jobs.filter((j) => j.id.startsWith("new.")).map((j) => j.id));
        const moved = diffPlans(zoneOf(problem.zone), five, plan, fresh).moves.length;
        replans.push([
          set.name,
          `${size.builds}`,
          name,
          ms(time),
          `${moved} of ${five.jobs.length}`,
          percent(moved / five.jobs.length),
          String(late(plan) - late(five)),
          String(Math.round(total(plan) - total(five))),
          String(Math.round(plan.cost?.churn ?? 0)),
          bad ? `${bad} BROKEN` : "valid",
        ]);
        console.log(replans.at(-1)!.join("  "));
      }
    }
  const text = `## Plans

Two kinds of generated workshops. "In order": vans arrive at the pace of the people (three quarters of their hours), dates have some
air. "Overloaded": far more work than people, every date lost: the costs say how plans compare, not how a workshop fares.
First plan: one priority rule, with all reasons written (best of three runs). Gain: how much lower the cost is after one and five
seconds, rules and search together. Late: builds after their date in the first plan and after five seconds.

${table(["workshop", "builds", "jobs", "first plan", "per job", "its cost", "gain 1 s", "gain 5 s", "steps", "late", "unplaced", "memory", "checker"], sizes)}

Parts of the cost after five seconds:

${table(["workshop", "builds", "late", "flow", "shunts", "overtime"], parts)}

## Replans

After one change, from the plan of five seconds as the published one, without further search. Late: builds more (or less) after their
date than before. The plans replanned are packed tight by the search, so that what is displaced often finds no gap near by.

${table(["workshop", "builds", "change", "time", "moved", "share", "late", "cost", "churn", "checker"], replans)}
`;
  return { text, broken };
}
