// Replans of anything the contract can say, after one change: never a broken rule, nothing lost, and nothing moved without need.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import { generate } from "./generate";
import { type Problem, plannedMinutes } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { byHand } from "./replan/by-hand";
import { noise, upheavalOf } from "./replan/upheaval";
import { fromPlan, keptRules } from "./rules";
import { workshop } from "./testing/workshop";

const day = (p: Problem, n: number) => new Date(Date.parse(`${p.now.slice(0, 10)}T00:00Z`) + n * 86_400_000).toISOString().slice(0, 10);

/** One change of each kind, at a place that the random source picks. */
const CHANGES: ((p: Problem, r: () => number) => void)[] = [
  (p, r) => {
    const f = p.fitters[Math.floor(r() * p.fitters.length)];
    const from = 1 + Math.floor(r() * 6);
    f.away = [...(f.away ?? []), [`${day(p, from)}T07:00`, `${day(p, from + 2)}T18:00`]];
  },
  (p, r) => {
    const b = p.bays[Math.floor(r() * p.bays.length)];
    const on = day(p, 1 + Math.floor(r() * 8));
    b.closed = [...(b.closed ?? []), [`${on}T07:00`, `${on}T18:00`]];
  },
  (p, r) => {
    const open = p.builds.flatMap((b) => b.jobs).filter((j) => j.state === "todo");
    const j = open[Math.floor(r() * open.length)];
    j.minutes = Math.min(2000, plannedMinutes(j.minutes) * 2);
  },
  (p, r) => {
    const open = p.builds.flatMap((b) => b.jobs).filter((j) => j.state === "todo");
    open[Math.floor(r() * open.length)].partsFrom = `${day(p, 3 + Math.floor(r() * 10))}T10:00`;
  },
  (p, r) => {
    for (const d of p.weather?.days ?? []) if (r() < 0.4) d.dry = [];
  },
];

/** No more is lost and nothing is later than in the same change dealt with by hand; at the same dates no more is moved. */
function quieterThanByHand(p: Problem, plan: ReturnType<typeof makePlan>, which: string): void {
  const c = compile(p);
  const hand = byHand(c, keptRules(c)[0]);
  if (!hand) return;
  const most = upheavalOf(generate(c, hand));
  const is = upheavalOf(generate(c, fromPlan(c, plan)));
  expect(is.lost, which).toBeLessThanOrEqual(most.lost);
  if (is.lost < most.lost) return;
  expect(is.days, which).toBeLessThanOrEqual(most.days);
  if (is.days === most.days) expect(is.moved, which).toBeLessThanOrEqual(most.moved);
}

describe("a replan after one change", () => {
  it.each([0, 1, 2, 3, 4, 5])("breaks no rule and loses no work, block %i", (block) => {
    for (let k = 0; k < 6; k++) {
      const seed = 400 + block * 6 + k;
      const r = random(seed);
      const p = readProblem(
        workshop({
          seed,
          builds: 3,
          jobsPerBuild: 16,
          wild: k % 2 === 1,
          calm: k % 2 === 0,
          helpers: k % 3 === 0,
          tools: k % 2 === 1,
          slots: k % 3 === 1,
        }),
      );
      const plan = makePlan(p, { iterations: 6, seed });
      for (const [n, change] of CHANGES.entries()) {
        const next = { ...structuredClone(p), published: structuredClone(plan) } as Problem;
        change(next, r);
        const read = readProblem(next);
        const replan = makePlan(read, { iterations: 0, local: true });
        expect(checkPlan(read, readPlan(replan)), `seed ${seed}, change ${n}`).toEqual([]);
        quieterThanByHand(read, replan, `seed ${seed}, change ${n}`);
        const known = [...replan.jobs.map((j) => j.id), ...replan.unplaced.map((u) => u.job)].sort();
        expect(known, `seed ${seed}, change ${n}`).toEqual(
          p.builds
            .flatMap((b) => b.jobs)
            .map((j) => j.id)
            .sort(),
        );
      }
    }
  });

  it("moves nothing at all where the change touches nothing", () => {
    for (let seed = 500; seed < 508; seed++) {
      const p = readProblem(workshop({ seed, builds: 3, jobsPerBuild: 16, calm: true, helpers: seed % 2 === 0, tools: seed % 3 === 0 }));
      const plan = makePlan(p, { iterations: 6, seed });
      const next = { ...structuredClone(p), published: structuredClone(plan) } as Problem;
      // Away in a year, when nothing is planned.
      next.fitters[0].away = [...(next.fitters[0].away ?? []), [`${day(p, 360)}T07:00`, `${day(p, 361)}T18:00`]];
      const replan = makePlan(readProblem(next), { iterations: 0, local: true });
      expect(
        replan.jobs.map((j) => [j.id, j.start, j.place, j.fitters]),
        `seed ${seed}`,
      ).toEqual(plan.jobs.map((j) => [j.id, j.start, j.place, j.fitters]));
    }
  });
});

describe("a replan after no change at all", () => {
  const same = (p: Problem, plan: ReturnType<typeof makePlan>, seed: number) => {
    const read = readProblem({ ...structuredClone(p), published: structuredClone(plan) } as Problem);
    const again = makePlan(read, { iterations: 40, seed, local: true });
    expect(checkPlan(read, again)).toEqual([]);
    const where = (x: ReturnType<typeof makePlan>) =>
      x.jobs.map((j) => [j.id, j.start, j.end, j.place, [...j.fitters].sort().join()].join(" ")).sort();
    expect(where(again), `seed ${seed}`).toEqual(where(plan));
  };
  it.each([0, 1, 2, 3])("returns the published plan, whatever a search would gain, block %i", (block) => {
    for (let k = 0; k < 6; k++) {
      const seed = 900 + block * 6 + k;
      const p = readProblem(
        workshop({
          seed,
          builds: 3 + (k % 3),
          jobsPerBuild: 16,
          wild: k % 2 === 1,
          calm: k % 3 === 0,
          helpers: k % 3 === 0,
          tools: k % 2 === 1,
          slots: k % 3 === 1,
        }),
      );
      // A hasty plan, so that there is much to gain.
      same(p, makePlan(p, { iterations: 0, seed, near: true }), seed);
    }
  });
  it("does so in a workshop in which every date is lost", () => {
    const p = readProblem(workshop({ seed: 11, builds: 8, jobsPerBuild: 40, calm: false, fitters: 4, bays: 3 }));
    same(p, makePlan(p, { iterations: 0, seed: 11 }), 11);
  });
});

describe("a longer replan around a change", () => {
  it("ends no louder than a short one", () => {
    for (const seed of [431, 433, 435]) {
      const p = readProblem(workshop({ seed, builds: 4, jobsPerBuild: 20, fitters: 3, bays: 2 }));
      const plan = makePlan(p, { iterations: 20, seed });
      const next = { ...structuredClone(p), published: structuredClone(plan) } as Problem;
      for (const f of next.fitters) f.away = [...(f.away ?? []), [`${day(p, 2)}T07:00`, `${day(p, 4)}T18:00`]];
      const read = readProblem(next);
      const c = compile(read);
      const loud = (iterations: number) => {
        const made = makePlan(read, { iterations, local: true });
        expect(checkPlan(read, readPlan(made)), `seed ${seed}`).toEqual([]);
        return noise(upheavalOf(generate(c, fromPlan(c, made))));
      };
      const short = loud(0);
      expect(short, `seed ${seed}`).toBeGreaterThan(10);
      expect(loud(40), `seed ${seed}`).toBeLessThanOrEqual(short);
    }
  });
});
