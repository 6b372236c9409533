// Plain problems generated in the standard way: a network of given complexity, jobs that ask for several of a few
// resources (factor), and as many of each as the strength says. Written as problems of the usual format: a unit of a
// resource is a fitter with one skill, everything is bench work, the calendar never closes.

import { between, type Random, random } from "../../rng";
import type { Problem } from "../model";

export interface PlainRecipe {
  seed: number;
  jobs: number;
  /** Arcs per job, over a start and an end that stand for nothing. 1.5, 1.8, 2.1 are usual. */
  complexity: number;
  /** Share of the resources that a job asks for, 0 to 1. */
  factor: number;
  /** 0: just enough of each resource for the largest demand; 1: enough for all jobs at their earliest starts. */
  strength: number;
  resources?: number;
}

const SKILLS = ["body", "joinery", "electric", "plumbing", "trim", "paint"];
/** Minutes of one unit of duration. */
const UNIT = 30;

/** Predecessors of each job: 3 to 3·n/30 first and last jobs, at most three arcs in and out, none that others imply. */
function network(r: Random, n: number, complexity: number): number[][] {
  const before: Set<number>[] = Array.from({ length: n }, () => new Set());
  const after: Set<number>[] = Array.from({ length: n }, () => new Set());
  const edge = 3;
  const reach: Uint8Array[] = Array.from({ length: n }, () => new Uint8Array(n));
  const link = (a: number, b: number) => {
    before[b].add(a);
    after[a].add(b);
    for (let x = 0; x < n; x++)
      if (x === a || reach[x][a]) {
        reach[x][b] = 1;
        for (let y = 0; y < n; y++) if (reach[b][y]) reach[x][y] = 1;
      }
  };
  /** An arc a to b is of use when nothing says it already and it makes no other one needless. */
  const fits = (a: number, b: number) => {
    if (a >= b || reach[a][b] || after[a].size >= 3 || before[b].size >= 3) return false;
    if (a < edge && b < edge) return false;
    if (a >= n - edge && b >= n - edge) return false;
    for (const x of before[b]) if (x === a || reach[a][x]) return false;
    for (const y of after[a]) if (reach[y][b]) return false;
    for (let x = 0; x <= a; x++)
      if (x === a || reach[x][a]) for (const y of after[x]) if (y !== a && (y === b || reach[b][y]) && !(x === a && y === b)) return false;
    return true;
  };
  for (let j = edge; j < n; j++) {
    const choices = Array.from({ length: Math.min(j, n - edge) }, (_, i) => i).filter((i) => fits(i, j));
    if (choices.length) link(choices[between(r, 0, choices.length - 1)], j);
  }
  for (let i = n - edge - 1; i >= 0; i--) {
    if (after[i].size) continue;
    const choices = Array.from({ length: n - i - 1 }, (_, k) => i + 1 + k).filter((j) => fits(i, j));
    if (choices.length) link(i, choices[between(r, 0, choices.length - 1)]);
  }
  const arcs = () => before.reduce((s, b) => s + Math.max(1, b.size), 0) + after.filter((a) => !a.size).length;
  for (let tries = 0; arcs() < complexity * (n + 2) && tries < 60 * n; tries++) {
    const a = between(r, 0, n - 2);
    const b = between(r, a + 1, n - 1);
    if (fits(a, b)) link(a, b);
  }
  return before.map((b) => [...b].sort((x, y) => x - y));
}

/** A plain problem; deterministic by its recipe. Durations 1 to 10 units of half an hour, demands 1 to 10. */
export function plainProblem(recipe: PlainRecipe): Problem {
  const r = random(recipe.seed);
  const { jobs: n, resources: m = 4 } = recipe;
  const before = network(r, n, recipe.complexity);
  const durations = Array.from({ length: n }, () => between(r, 1, 10));
  // Which job asks for which resource: one each at least, then by chance up to the factor.
  const asks = Array.from({ length: n }, () => new Set([between(r, 0, m - 1)]));
  let left = Math.round(recipe.factor * n * m) - n;
  while (left > 0) {
    const set = asks[between(r, 0, n - 1)];
    if (set.size === m) continue;
    let k = between(r, 0, m - 1);
    while (set.has(k)) k = (k + 1) % m;
    set.add(k);
    left--;
  }
  const demands = asks.map((set) => Array.from({ length: m }, (_, k) => (set.has(k) ? between(r, 1, 10) : 0)));
  const starts: number[] = [];
  for (let j = 0; j < n; j++) starts[j] = Math.max(0, ...before[j].map((i) => starts[i] + durations[i]));
  const end = Math.max(...starts.map((s, j) => s + durations[j]));
  const sizes = Array.from({ length: m }, (_, k) => {
    const least = Math.max(...demands.map((d) => d[k]));
    let peak = 0;
    for (let t = 0; t < end; t++) {
      let sum = 0;
      for (let j = 0; j < n; j++) if (starts[j] <= t && t < starts[j] + durations[j]) sum += demands[j][k];
      peak = Math.max(peak, sum);
    }
    return Math.round(least + recipe.strength * (peak - least));
  });
  const all = [["00:00", "24:00"]];
  const name = (k: number) => SKILLS[k] ?? `skill ${k}`;
  return {
    format: "wide-lane/problem@1",
    zone: "UTC",
    now: "2027-03-01T00:00",
    horizonDays: Math.ceil((durations.reduce((a, b) => a + b, 0) * UNIT) / 1440) + 2,
    calendars: [{ id: "shop", week: Object.fromEntries(["mon", "tue", "wed", "thu", "fri", "sat", "sun"].map((d) => [d, all])) }],
    bays: [],
    yard: { places: 0 },
    fitters: sizes.flatMap((size, k) =>
      Array.from({ length: size }, (_, i) => ({
        id: `r${k + 1}-${i + 1}`,
        name: `Unit ${i + 1} of ${k + 1}`,
        calendar: "shop",
        skills: { [name(k)]: 1 },
      })),
    ),
    shuntMinutes: 0,
    builds: [
      {
        id: "k1",
        name: "Plain",
        arrives: "2027-03-01T00:00",
        due: "2027-03-01T00:00",
        weight: 1,
        heightMm: 2500,
        lengthMm: 6000,
        insideCrew: 4,
        jobs: Array.from({ length: n }, (_, j) => ({
          id: `j${j + 1}`,
          stage: "framing",
          name: `Job ${j + 1}`,
          minutes: durations[j] * UNIT,
          place: "bench" as const,
          zones: [],
          crew: demands[j].flatMap((count, k) => (count ? [{ skill: name(k), count }] : [])),
          after: before[j].map((i) => ({ job: `j${i + 1}` })),
          state: "todo" as const,
        })),
      },
    ],
  };
}

/** A mixed set of a size: all complexities, factors and strengths in turn. Large ones are scarcer, as is usual. */
export function plainSet(jobs: number, count: number): PlainRecipe[] {
  const strengths = jobs >= 120 ? [0.1, 0.2, 0.3, 0.4, 0.5] : [0.2, 0.5, 0.7, 1];
  const cells = [1.5, 1.8, 2.1].flatMap((complexity) =>
    [0.25, 0.5, 0.75, 1].flatMap((factor) => strengths.map((strength) => ({ complexity, factor, strength }))),
  );
  // A stride that meets every cell before any twice.
  return Array.from({ length: count }, (_, i) => ({ seed: 1000 * jobs + i, jobs, ...cells[(i * 7) % cells.length] }));
}
