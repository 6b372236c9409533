// A schedule of bare starts as a rule of the planner: each job with its start and a crew out of its groups. So it goes
// through the same schedule generation, explanation and checks as every other plan.

import { BENCH, type Compiled } from "../compile";
import type { Rule } from "../generate";
import type { Plain } from "./model";

/** The rule that lays down `starts` (units). Members of a group are equals, so whoever is free longest takes the work. */
export function ruleOf(c: Compiled, p: Plain, starts: Int32Array): Rule {
  const groupOf = new Map(p.groups.flatMap((g, i) => g.map((f) => [f, i] as const)));
  const freeFrom = new Int32Array(c.fitters.length);
  const crews: number[][] = new Array(p.n);
  const order = Array.from(starts, (_, j) => j).sort((a, b) => starts[a] - starts[b]);
  for (const j of order) {
    const crew: number[] = [];
    for (const d of c.jobs[j].demands) {
      const group = p.groups[groupOf.get(d.fitters[0])!];
      let pick = -1;
      for (const f of group) if (freeFrom[f] <= starts[j] && !crew.includes(f) && (pick < 0 || freeFrom[f] < freeFrom[pick])) pick = f;
      crew.push(pick);
    }
    for (const f of crew) freeFrom[f] = starts[j] + p.durations[j];
    crews[j] = crew;
  }
  return {
    name: "plain",
    priority: Float64Array.from(starts),
    window: 1e12,
    costs: { move: 0, evict: 0 },
    keepStart: true,
    keep: c.jobs.map((j) => ({ start: c.now + starts[j.index] * p.unit, place: BENCH, crew: crews[j.index] })),
  };
}
