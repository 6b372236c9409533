// Plain resource problems through the usual contract: one pass of single rules, and the search, against what is proven or
// best known.

import { checkPlan } from "../../core/plan/check/check";
import { cableEndsFromStart, inOrder, type Plain, simpleBound } from "../../core/plan/plain/model";
import { Scheduler } from "../../core/plan/plain/schedule";
import { makePlan } from "../../core/plan/planner";
import { readPlan, readProblem } from "../../core/plan/read";
import { plainProblem, plainSet } from "../../core/plan/testing/plain";
import { plainOfRecipe, readKnown, SETS } from "./known";
import { clock, percent, table } from "./table";

/** Rules that list jobs once: lower goes first among those whose predecessors are listed. */
const RULES: readonly [string, (p: Plain) => (j: number) => number][] = [
  [
    "latest finish",
    (p) => {
      const rest = cableEndsFromStart(p);
      return (j) => -(rest[j] - p.durations[j]);
    },
  ],
  [
    "longest tail",
    (p) => {
      const rest = cableEndsFromStart(p);
      return (j) => -rest[j];
    },
  ],
  ["shortest first", (p) => (j) => p.durations[j]],
];

function onePass(p: Plain, key: (j: number) => number): number {
  const left = new Set(inOrder(p));
  const list = new Int32Array(p.n);
  for (let at = 0; at < p.n; at++) {
    let pick = -1;
    for (const j of left) {
      let ready = true;
      for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) if (left.has(p.before[k])) ready = false;
      if (ready && (pick < 0 || key(j) < key(pick))) pick = j;
    }
    left.delete(pick);
    list[at] = pick;
  }
  return new Scheduler(p).lay(list);
}

export function benchPlain(): { text: string; broken: number } {
  const known = readKnown();
  const rows: string[][] = [];
  const proofs: string[][] = [];
  let broken = 0;
  for (const [jobs, count] of SETS) {
    const sum = { search: 0, bound: 0, rules: RULES.map(() => 0), hit: 0, provenNow: 0, longest: 0 };
    const how = { bound: 0, search: 0, open: 0, proven: 0, provenDev: 0, better: 0 };
    for (const recipe of plainSet(jobs, count)) {
      const problem = readProblem(plainProblem(recipe));
      const p = plainOfRecipe(recipe);
      const began = clock();
      const plan = makePlan(problem, { ms: 1000, clock });
      sum.longest = Math.max(sum.longest, clock() - began);
      broken += checkPlan(problem, readPlan(plan)).length;
      const length = (plan.builds[0].lateWorkingMinutes ?? 0) / p.unit;
      const best = known[recipe.seed]?.length ?? length;
      const proven = known[recipe.seed]?.proven;
      // Shorter than what was proven to be shortest: then the proof is wrong, and that is a fault.
      if (length < best && proven) broken++;
      if (length < best) how.better++;
      how[proven ?? "open"]++;
      if (proven) {
        how.proven++;
        how.provenDev += length / best - 1;
      }
      sum.search += length / best - 1;
      sum.bound += length / simpleBound(p) - 1;
      RULES.forEach(([, rule], k) => {
        sum.rules[k] += onePass(p, rule(p)) / best - 1;
      });
      if (length <= best) sum.hit++;
    }
    rows.push([
      String(jobs),
      String(count),
      ...sum.rules.map((x) => percent(x / count)),
      percent(sum.search / count, 2),
      `${sum.hit} of ${count}`,
      percent(sum.bound / count),
      `${Math.round(sum.longest)} ms`,
    ]);
    proofs.push([
      String(jobs),
      String(how.bound),
      String(how.search),
      String(how.open),
      percent(how.provenDev / Math.max(1, how.proven), 2),
      String(how.better),
    ]);
    console.log(rows.at(-1)!.join("  "), "|", proofs.at(-1)!.join("  "));
  }
  const text = `## Plain problems

Generated in the standard way (network complexity 1.5, 1.8, 2.1; resource factor 0.25 to 1; strength 0.2 to 1, at 120 jobs 0.1 to 0.5;
four resources; durations 1 to 10), written as problems of the usual format: a unit of a resource is a fitter with one skill.
One second each, all told, on one core. Mean deviation from the optimum where it is proven, else from the best known.

${table(["jobs", "problems", ...RULES.map(([name]) => name), "search", "best met", "search over bound", "longest run"], rows)}

How the optima are known: "bound", the length meets the critical path or the work shared out over a resource; "search", a
complete search with learning (core/plan/plain/exact.ts) has shown within a minute that nothing is shorter; "open", not proven, best
of a search of ten minutes at 60 jobs and of what \`plain-known.json\` says at 120 (\`./wide-lane bench known\`).

${table(["jobs", "bound", "search", "open", "search over proven", "now better than known"], proofs)}
`;
  return { text, broken };
}
