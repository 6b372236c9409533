// ./wide-lane bench: time, cost and the checker's verdict of the planner on generated workshops with fixed seeds.

import { checkPlan } from "../core/plan/check/check";
import { makePlan } from "../core/plan/planner";
import { readPlan, readProblem } from "../core/plan/read";
import { workshop } from "../core/plan/testing/workshop";

const SIZES = [
  { builds: 1, jobsPerBuild: 56 },
  { builds: 4, jobsPerBuild: 56 },
  { builds: 8, jobsPerBuild: 56 },
  { builds: 20, jobsPerBuild: 60 },
  { builds: 40, jobsPerBuild: 75 },
];

export default async function bench(): Promise<number> {
  console.log(
    `${"builds".padStart(6)} ${"jobs".padStart(6)} ${"rules only".padStart(11)} ${"1 s search".padStart(11)} ${"cost".padStart(10)} ${"after 1 s".padStart(10)} ${"orders".padStart(7)} ${"late".padStart(5)} ${"unplaced".padStart(9)}  checker`,
  );
  let broken = 0;
  for (const size of SIZES) {
    const problem = readProblem(
      workshop({
        seed: 11,
        ...size,
        fitters: Math.max(4, Math.round(size.builds * 0.65)),
        bays: Math.max(2, Math.round(size.builds * 0.4)),
      }),
    );
    makePlan(problem, { iterations: 0 });
    const t = performance.now();
    const first = makePlan(problem, { iterations: 0 });
    const firstMs = performance.now() - t;
    const u = performance.now();
    const searched = makePlan(problem, { ms: 1000, clock: () => performance.now() });
    const searchMs = performance.now() - u;
    const faults = [...checkPlan(problem, readPlan(first)), ...checkPlan(problem, readPlan(searched))];
    broken += faults.length;
    const late = searched.builds.filter((b) => (b.lateWorkingMinutes ?? 0) > 0).length;
    console.log(
      `${String(size.builds).padStart(6)} ${String(size.builds * size.jobsPerBuild).padStart(6)} ${`${Math.round(firstMs)} ms`.padStart(11)} ${`${Math.round(searchMs)} ms`.padStart(11)} ${String(Math.round(first.cost?.total ?? 0)).padStart(10)} ${String(Math.round(searched.cost?.total ?? 0)).padStart(10)} ${String(searched.iterations).padStart(7)} ${String(late).padStart(5)} ${String(searched.unplaced.length).padStart(9)}  ${faults.length ? `${faults.length} broken: ${faults[0].text}` : "valid"}`,
    );
  }
  return broken ? 1 : 0;
}
