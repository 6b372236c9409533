// ./wide-lane bench: time, cost, churn and the checker's verdict of the planner on generated workshops with fixed
// seeds. `--write` puts the tables into docs/benchmarks.md.

import { writeFileSync } from "node:fs";
import os from "node:os";
import { checkPlan } from "../core/plan/check/check";
import { diffPlans } from "../core/plan/diff";
import { type Plan, type Problem, plannedMinutes } from "../core/plan/model";
import { makePlan } from "../core/plan/planner";
import { readPlan, readProblem } from "../core/plan/read";
import { workshop } from "../core/plan/testing/workshop";
import { zoneOf } from "../core/time/zone";
import { readArgs } from "./args";

const SIZES = [
  { builds: 1, jobsPerBuild: 56 },
  { builds: 4, jobsPerBuild: 56 },
  { builds: 8, jobsPerBuild: 56 },
  { builds: 20, jobsPerBuild: 60 },
  { builds: 40, jobsPerBuild: 75 },
];

const clock = () => performance.now();
const timed = <T>(work: () => T): [T, number] => {
  const t = clock();
  const result = work();
  return [result, clock() - t];
};
const ms = (n: number) => `${Math.round(n)} ms`;
const date = (now: string, days: number) =>
  new Date(Date.parse(`${now.slice(0, 10)}T00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** Changes of one thing, as a workshop knows them. */
const CHANGES: [string, (p: Problem, plan: Plan) => void][] = [
  [
    "a part slips two days",
    (p, plan) => {
      const job = nth(p, plan, 0.3, (j) => j.place === "van");
      job.partsFrom = `${date(plan.jobs.find((j) => j.id === job.id)!.start, 2)}T10:00`;
    },
  ],
  ["a fitter is ill for two days", (p) => p.fitters[1].away!.push([`${date(p.now, 1)}T07:00`, `${date(p.now, 2)}T18:00`])],
  [
    "a bay is shut for a day",
    (p) => void (p.bays[0].closed = [...(p.bays[0].closed ?? []), [`${date(p.now, 2)}T07:00`, `${date(p.now, 2)}T18:00`]]),
  ],
  ["tomorrow is wet", (p) => void (p.weather!.days![1].dry = [])],
  [
    "a job takes twice as long",
    (p, plan) => {
      const job = nth(p, plan, 0.2, () => true);
      job.minutes = plannedMinutes(job.minutes) * 2;
    },
  ],
];

/** A job still to do, that share of the way through the plan. */
function nth(p: Problem, plan: Plan, share: number, test: (j: Problem["builds"][number]["jobs"][number]) => boolean) {
  const jobs = new Map(p.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  const list = plan.jobs
    .filter((j) => jobs.get(j.id)!.state === "todo" && test(jobs.get(j.id)!))
    .sort((a, b) => a.start.localeCompare(b.start));
  return jobs.get(list[Math.floor(list.length * share)].id)!;
}

const faultsOf = (p: Problem, plan: Plan): number => checkPlan(p, readPlan(plan)).length;
const published = (p: Problem, plan: Plan): Problem => ({
  ...structuredClone(p),
  published: { ...plan, jobs: plan.jobs.map(({ why: _why, ...j }) => j), stays: [], builds: [], unplaced: [], pinsBroken: [] },
});

function table(head: string[], rows: string[][]): string {
  const widths = head.map((h, i) => Math.max(h.length, ...rows.map((r) => r[i].length)));
  const line = (cells: string[]) => `| ${cells.map((c, i) => c.padStart(widths[i])).join(" | ")} |`;
  return [line(head), `|${widths.map((w) => `${"-".repeat(w + 1)}:`).join("|")}|`, ...rows.map(line)].join("\n");
}

export default async function bench(args: string[]): Promise<number> {
  const { options } = readArgs(args, [], ["write"], "./wide-lane bench [--write]");
  let broken = 0;
  // Warms the compiler up, so that the first size is not charged for it.
  for (let seed = 1; seed < 4; seed++) makePlan(readProblem(workshop({ seed, builds: 3, jobsPerBuild: 30 })), { iterations: 4 });
  const sizes: string[][] = [];
  const replans: string[][] = [];
  for (const size of SIZES) {
    const problem = readProblem(
      workshop({
        seed: 11,
        ...size,
        fitters: Math.max(4, Math.round(size.builds * 0.65)),
        bays: Math.max(2, Math.round(size.builds * 0.4)),
      }),
    );
    // One millisecond of budget: the first rule alone, written with all its reasons.
    const [first, firstMs] = timed(() => makePlan(problem, { ms: 0, clock }));
    const one = makePlan(problem, { ms: 1000, clock });
    const five = makePlan(problem, { ms: 5000, clock });
    const faults = [first, one, five].reduce((n, p) => n + faultsOf(problem, p), 0);
    broken += faults;
    const total = (p: Plan) => p.cost?.total ?? 0;
    sizes.push([
      String(size.builds),
      String(size.builds * size.jobsPerBuild),
      ms(firstMs),
      String(Math.round(total(first))),
      `${(100 * (1 - total(one) / total(first))).toFixed(1)} %`,
      `${(100 * (1 - total(five) / total(first))).toFixed(1)} %`,
      String(five.iterations),
      String(five.builds.filter((b) => (b.lateWorkingMinutes ?? 0) > 0).length),
      String(five.unplaced.length),
      `${Math.round(process.memoryUsage().rss / 1e6)} MB`,
      faults ? `${faults} BROKEN` : "valid",
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
      const moved = diffPlans(zoneOf(problem.zone), five, plan, new Set()).moves.length;
      replans.push([
        `${size.builds}`,
        name,
        ms(time),
        `${moved} of ${five.jobs.length}`,
        `${((100 * moved) / five.jobs.length).toFixed(1)} %`,
        bad ? `${bad} BROKEN` : "valid",
      ]);
      console.log(replans.at(-1)!.join("  "));
    }
  }
  const text = `# Benchmarks

Made by \`./wide-lane bench --write\` on a machine with ${os.cpus().length} cores and ${Math.round(os.totalmem() / 2 ** 30)} GB of memory. Generated workshops with fixed
seeds and far more work than people, so that every date is in danger: the costs say how plans compare, not how a real
workshop fares. One thread.

## Plans

First plan: one priority rule, with all reasons written. Gain: how much lower the cost is after one and five seconds of search.

${table(["builds", "jobs", "first plan", "its cost", "gain 1 s", "gain 5 s", "steps", "late", "unplaced", "memory", "checker"], sizes)}

## Replans

After one change, from the plan of five seconds as the published one, without further search.

${table(["builds", "change", "time", "moved", "share", "checker"], replans)}
`;
  if (options.has("write")) writeFileSync("docs/benchmarks.md", text);
  else console.log(`\n${text}`);
  return broken ? 1 : 0;
}
