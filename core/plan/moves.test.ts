import { describe, expect, it } from "vitest";
import { random } from "../rng";
import type { Board } from "./board";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import { buildResults, costOf } from "./cost";
import { generate, layKept } from "./generate";
import { type Candidate, improve } from "./improve";
import { isFree, layAside, putBack, relay, reopen } from "./moves";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { keptRules, repairRule, rules } from "./rules";
import { relaying, reopening } from "./search";
import { workshop } from "./testing/workshop";

/** All that a board says, in one text. */
const said = (b: Board) =>
  JSON.stringify({
    placed: b.placed.map((p) => p && [p.start, p.end, p.place, p.crew, p.work]),
    busy: b.busy.map((list) => list.map((x) => [x.from, x.to, x.job])),
    stays: b.stays,
    atPlace: b.atPlace.map((list) => list.map((s) => [s.build, s.from, s.to])),
    left: b.left,
    kept: b.kept.map((k) => k ?? null),
  });

const planned = (seed: number, wild = false) => {
  const c = compile(readProblem(workshop({ seed, builds: 4, jobsPerBuild: 18, wild, calm: !wild && seed % 2 === 0 })));
  const g = generate(c, rules(c)[0]);
  return { c, ...g };
};

describe("small steps", () => {
  it("leave the board as it was when they are put back or can't be done", () => {
    for (let seed = 1; seed <= 12; seed++) {
      const { c, board } = planned(seed, seed % 3 === 0);
      const r = random(seed);
      let done = 0;
      for (let k = 0; k < 60; k++) {
        const before = said(board);
        const at = { placed: board.placed, lateDays: buildResults(board).map((x) => x.lateMinutes / c.dayMinutes) };
        const undo = k % 2 ? relay(board, ...relaying(c, at, r)) : reopen(board, ...reopening(c, at, r));
        if (undo) {
          done++;
          putBack(board, undo);
        }
        expect(said(board)).toBe(before);
      }
      expect(done).toBeGreaterThan(5);
    }
  });

  it("never move work that is done, under way or pinned to a time", () => {
    const { c, board } = planned(3, true);
    const fixed = c.jobs.filter((j) => !isFree(j) && board.placed[j.index]);
    expect(fixed.length).toBeGreaterThan(0);
    const starts = fixed.map((j) => board.placed[j.index]!.start);
    const r = random(1);
    for (let k = 0; k < 80; k++) {
      const at = { placed: board.placed, lateDays: buildResults(board).map(() => 1) };
      if (k % 2) relay(board, ...relaying(c, at, r));
      else reopen(board, ...reopening(c, at, r));
    }
    expect(fixed.map((j) => board.placed[j.index]!.start)).toEqual(starts);
  });
});

describe("work set aside", () => {
  it("leaves no trace when it is taken out again, however it was laid", () => {
    let aside = 0;
    for (let seed = 1; seed <= 16; seed++) {
      const p = readProblem(workshop({ seed, builds: 4, jobsPerBuild: 18, calm: seed % 2 === 0 }));
      const published = makePlan(p, { iterations: 20 });
      const next = structuredClone(p) as typeof p;
      next.published = published;
      next.bays[0].closed = [["2027-03-02T07:00", "2027-03-04T18:00"]];
      next.fitters[0].away = [["2027-03-03T07:00", "2027-03-05T18:00"]];
      const c = compile(readProblem(next));
      const rule = repairRule(c, keptRules(c)[0], false);
      const kept = layKept(c, rule);
      aside += kept.aside.length;
      const before = said(kept.board);
      const back = layAside(kept.board, kept.aside, (j) => rule.priority[j], rule.costs);
      back?.();
      expect(said(kept.board), `seed ${seed}`).toBe(before);
    }
    expect(aside).toBeGreaterThan(10);
  });
});

describe("improve", () => {
  it("keeps count of the cost by what each step touches", () => {
    for (const seed of [2, 5, 8]) {
      const { c, ...g } = planned(seed);
      const start: Candidate = { ...g, cost: costOf(g.board, g.unplaced) };
      const first = start.cost.total;
      const told: number[] = [];
      const end = improve(c, start, random(seed), {
        local: false,
        used: (steps) => steps / 150,
        stopped: () => false,
        onBetter: (cost) => {
          told.push(cost().total);
          return true;
        },
      });
      expect(end.cost.total).toBe(costOf(end.board, end.unplaced).total);
      expect(end.cost.total).toBeLessThanOrEqual(first);
      if (told.length) expect(end.cost.total).toBeCloseTo(Math.min(...told), 1);
      expect(end.steps).toBe(150);
    }
  });
});

describe("many small steps", () => {
  it.each([1, 2, 3, 4, 5, 6])("break no rule, block %i", (block) => {
    for (let k = 0; k < 5; k++) {
      const seed = block * 40 + k;
      const problem = readProblem(workshop({ seed, builds: 2 + (k % 4), jobsPerBuild: 14 + k * 4, wild: k % 2 === 0, calm: k % 2 === 1 }));
      const plan = makePlan(problem, { iterations: 150, seed });
      expect(checkPlan(problem, readPlan(plan)), `seed ${seed}`).toEqual([]);
    }
  });
});
