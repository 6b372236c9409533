import { describe, expect, it } from "vitest";
import { compile } from "../compile";
import { layKept } from "../generate";
import type { Problem } from "../model";
import { makePlan } from "../planner";
import { readProblem } from "../read";
import { keptRules, repairRule } from "../rules";
import { at, problem } from "../testing/small";
import { spotsFor, type Terms } from "./spots";

const body = [{ skill: "body", count: 1 }];

/** Two jobs of Ines one after the other; the part of the first one comes when the second one is to begin. */
function late() {
  const p = problem([
    { minutes: 60, crew: body },
    { minutes: 120, crew: body },
  ]);
  const made = makePlan(p, { iterations: 10 });
  const next = { ...structuredClone(p), published: structuredClone(made) } as Problem;
  const [first, second] = ["j0", "j1"].sort((x, y) => at(made, x).start.localeCompare(at(made, y).start));
  next.builds[0].jobs.find((j) => j.id === first)!.partsFrom = `${at(made, second).start}`;
  const c = compile(readProblem(next));
  const { board } = layKept(c, { ...repairRule(c, keptRules(c)[0], true), holdsPlace: true });
  const job = c.jobs.find((j) => j.id === first)!;
  const other = c.jobs.find((j) => j.id === second)!.index;
  const terms: Terms = {
    limit: Number.POSITIVE_INFINITY,
    over: Number.POSITIVE_INFINITY,
    frozen: Number.NEGATIVE_INFINITY,
    fixed: () => false,
    cost: (_p, ejects) => ejects.length,
  };
  const starts = (more: Partial<Terms>) =>
    spotsFor(board, job, { ...terms, ...more }).map(
      (s) => `${c.zone.show(s.placed.start).slice(11)} ${s.ejects.length ? "puts out" : "free"}`,
    );
  return { starts, other, board, job: job.index };
}

describe("where a job could go that no longer holds", () => {
  it("is behind what stands in its way, or in its place", () => {
    const { starts } = late();
    expect(starts({})[0]).toMatch(/ free$/);
    expect(starts({}).some((s) => s.endsWith("puts out"))).toBe(true);
  });
  it("is not in the place of what is fixed, or published for the days that are left alone", () => {
    const { starts, other } = late();
    expect(starts({ fixed: (k) => k === other }).every((s) => s.endsWith("free"))).toBe(true);
    expect(starts({ frozen: Number.POSITIVE_INFINITY }).every((s) => s.endsWith("free"))).toBe(true);
  });
  it("is over by its limit", () => {
    const { starts } = late();
    expect(starts({ limit: 0 })).toEqual([]);
    expect(starts({ over: 0 })).toEqual([]);
  });
  it("leaves the board as it was", () => {
    const { starts, board, job, other } = late();
    const before = board.placed[other];
    starts({});
    expect(board.placed[other]).toBe(before);
    expect(board.placed[job]).toBeUndefined();
  });
});
