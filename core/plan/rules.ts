// The priority rules that compete for the first plan.

import type { Board } from "./board";
import { BENCH, type Compiled, helpersLast } from "./compile";
import { canFill } from "./crew";
import type { Rule } from "./generate";
import type { Plan } from "./model";
import { isFree } from "./moves";
import { back, latestFinish } from "./passes";
import { slackOf } from "./search";

const DAY = 1440;
const ALL = Number.POSITIVE_INFINITY;
/**
 * How long displaced work stands back for what still holds, as a share of its slack: the less it does, the further the
 * change spreads; the more, the later it may become.
 */
const KEPT_WAITS = [1, 0.25, 0];
/** Where there are many jobs the middle way is left out: it takes a quarter of a second and is worth a few per cent at most, as measured. */
const MANY = 1000;
/** There the long waits are given up once they have moved so much: no wait moves no more, then, as measured. */
const GIVEN_UP = 0.35;
const COSTS = { move: 90, evict: 240 };

/** Working minutes of a job and all that follows it. */
function tail(c: Compiled): Float64Array {
  const sum = new Float64Array(c.jobs.length).fill(-1);
  const visit = (i: number): number => {
    if (sum[i] >= 0) return sum[i];
    sum[i] = 0;
    let longest = 0;
    for (const f of c.jobs[i].followers) longest = Math.max(longest, visit(f));
    sum[i] = longest + c.jobs[i].minutes + c.jobs[i].hold / 3;
    return sum[i];
  };
  for (const j of c.jobs) visit(j.index);
  return sum;
}

/**
 * The rules that are tried first, the first plan's own before the others. `near`: those that a house plans by, by hand, which do not
 * look weeks ahead; else what looks further is left to the search over the order of builds (order.ts).
 */
export function rules(c: Compiled, near = false): Rule[] {
  const lf = latestFinish(c);
  const by = (name: string, f: (i: number) => number, window: number, costs = COSTS): Rule => ({
    name,
    priority: Float64Array.from(c.jobs, (_, i) => f(i)),
    window,
    costs,
  });
  const weighted = (i: number) => lf[i] - (c.builds[c.jobs[i].build].weight - 1) * 3 * DAY;
  // A job that is due soon goes before one that could start sooner: by far the best first rule, as measured.
  const list = [by("latest finish, far sight", weighted, 4 * DAY)];
  if (near) {
    const rest = tail(c);
    const slack = (i: number) => back(c, lf[i], c.jobs[i].minutes) - c.jobs[i].release;
    list.push(
      by("earliest due build", (i) => c.builds[c.jobs[i].build].due + lf[i] / 1e6, 2 * DAY),
      by("latest finish, vans stay put", weighted, 4 * DAY, { move: 600, evict: 1200 }),
      by("latest finish", weighted, DAY),
      by("least slack", slack, DAY),
      by("longest tail", (i) => -rest[i], DAY),
    );
  }
  if (c.jobs.some((j) => j.published)) {
    const order = (i: number) => c.jobs[i].published?.start ?? lf[i];
    // First: a change of one thing is then planned around what is on the wall.
    list.unshift(...keptRules(c).reverse());
    list.push(by("as published, strictly", order, 30 * DAY));
  }
  return list;
}

/** The published plan laid down again: what still holds stays, what does not waits for a share of its slack. Least moves first. */
export function keptRules(c: Compiled): Rule[] {
  const lf = latestFinish(c);
  const placed = c.jobs.map((j) => j.published);
  const slack = slackOf(c, { placed }, true);
  const latest = Float64Array.from(c.jobs, (j, i) => (j.published ? j.published.start + slack[i] : back(c, lf[i], j.minutes)));
  // A crew that has lost a skill since is not offered again.
  const keep = c.jobs.map(
    (j) =>
      j.published && {
        start: j.published.start,
        place: j.published.place,
        crew: canFill(j, j.published.fitters) ? j.published.fitters : [],
      },
  );
  const shares = c.jobs.length > MANY ? KEPT_WAITS.filter((x) => x === 0 || x === 1) : KEPT_WAITS;
  return shares.map((share) => ({
    name: `kept as published, displaced wait ${share} of their slack`,
    priority: Float64Array.from(c.jobs, (j, i) => j.published?.start ?? lf[i]),
    window: ALL,
    costs: COSTS,
    keep,
    keepStart: true,
    waits: { share, latest },
    ...(c.jobs.length > MANY && share > 0 ? { most: GIVEN_UP * c.jobs.length } : {}),
  }));
}

/** Lays down what still holds of the published plan; the rest is set aside. Pins in their turn, or first of all. */
export function repairRule(c: Compiled, kept: Rule, pinsInTurn: boolean): Rule {
  const priority = pinsInTurn ? kept.priority.map((p, i) => c.jobs[i].pin?.start ?? p) : kept.priority;
  return { ...kept, priority, name: "as published, the rest set aside", aside: true, keepStart: false, pinsInTurn };
}

/** The rule that lays down again what stands on a board, with the vans' stays as schedule generation makes them. */
export function placedRule(b: Board): Rule {
  return {
    name: "as found",
    priority: Float64Array.from(b.c.jobs, (_, i) => b.placed[i]?.start ?? Number.MAX_SAFE_INTEGER),
    window: 1e12,
    costs: COSTS,
    keep: b.c.jobs.map((j) => {
      const p = b.placed[j.index];
      return p && isFree(j) ? { start: p.start, place: p.place, crew: p.crew, placed: p } : undefined;
    }),
  };
}

/** The rule that lays a plan down again as it stands; what no longer holds finds its next place. */
export function fromPlan(c: Compiled, plan: Plan): Rule {
  const known = new Map(plan.jobs.map((j) => [j.id, j]));
  const places = new Map(c.places.map((p, i) => [p.id, i]));
  const fitters = new Map(c.fitters.map((f, i) => [f.id, i]));
  const lf = latestFinish(c);
  const keep = c.jobs.map((j) => {
    const p = known.get(j.id);
    if (!p) return undefined;
    const crew = helpersLast(p).map((f) => fitters.get(f) ?? -1);
    return { start: c.zone.parse(p.start), place: places.get(p.place) ?? BENCH, crew: canFill(j, crew) ? crew : [] };
  });
  return {
    name: "as it stands",
    priority: Float64Array.from(c.jobs, (_, i) => keep[i]?.start ?? lf[i]),
    window: 400 * DAY,
    costs: COSTS,
    keep,
    keepStart: true,
  };
}
