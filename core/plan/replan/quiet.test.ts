import { describe, expect, it } from "vitest";
import { checkPlan } from "../check/check";
import { compile } from "../compile";
import { generate } from "../generate";
import type { Plan, Problem } from "../model";
import { makePlan } from "../planner";
import { readPlan, readProblem } from "../read";
import { keptRules } from "../rules";
import { at, problem } from "../testing/small";
import { byHand } from "./by-hand";
import { quietRule } from "./quiet";
import { noise, upheavalOf } from "./upheaval";

const ill = (id: string, from = "2027-03-01T07:00", to = "2027-03-01T18:00") => ({ id, span: [from, to] as [string, string] });

/** Replans a plan after a change to its problem; the starts and crews that differ from it. */
function replanned(p: Problem, change: (p: Problem) => void): { plan: Plan; moved: string[] } {
  const made = makePlan(p, { iterations: 10 });
  const next = { ...structuredClone(p), published: structuredClone(made) } as Problem;
  change(next);
  const read = readProblem(next);
  const plan = makePlan(read, { iterations: 0, local: true });
  expect(checkPlan(read, readPlan(plan))).toEqual([]);
  const moved = plan.jobs
    .filter((j) => at(made, j.id))
    .filter((j) => at(made, j.id).start !== j.start || at(made, j.id).fitters.some((f) => !j.fitters.includes(f)))
    .map((j) => `${j.id} ${j.start.slice(8)} ${j.fitters.join("+")}`);
  return { plan, moved };
}
const away = (p: Problem, { id, span }: ReturnType<typeof ill>) => {
  const f = p.fitters.find((x) => x.id === id)!;
  f.away = [...(f.away ?? []), span];
};

const threePeople = {
  fitters: [
    { id: "ines", name: "Ines", calendar: "shop", skills: { body: 3 } },
    { id: "teo", name: "Teo", calendar: "shop", skills: { trim: 2 } },
    { id: "nils", name: "Nils", calendar: "shop", skills: { body: 2, trim: 2 } },
  ],
};
const body = [{ skill: "body", count: 1 }];
const trim = [{ skill: "trim", count: 1 }];

describe("the quiet answer", () => {
  it("hands a job over at its own time where somebody with the skill is free", () => {
    const p = problem(
      [
        { minutes: 120, crew: [{ skill: "body", count: 1, level: 2 }] },
        { minutes: 120, crew: trim, after: [{ job: "j0" }] },
      ],
      threePeople,
    );
    const who = at(makePlan(p, { iterations: 10 }), "j0").fitters[0];
    const other = who === "ines" ? "nils" : "ines";
    expect(replanned(p, (n) => away(n, ill(who))).moved).toEqual([`j0 01T08:00 ${other}`]);
  });

  it("lets what has slack wait, and moves nothing else", () => {
    // Teo's two days of work are the build's date; the hour of Ines hangs on nothing.
    const p = problem([
      { minutes: 960, crew: trim },
      { minutes: 60, crew: body },
    ]);
    const { moved } = replanned(p, (n) => away(n, ill("ines")));
    expect(moved).toEqual(["j1 02T08:00 ines"]);
  });

  it("changes the order of one person's work where a date would be lost otherwise", () => {
    // Its part comes at half past eight: waiting behind j1, j0 would push the day's work of Teo into tomorrow.
    const p = problem([
      { minutes: 60, crew: body },
      { minutes: 120, crew: body },
      { minutes: 360, crew: trim, after: [{ job: "j0" }] },
    ]);
    const made = makePlan(p, { iterations: 10 });
    expect(["j0", "j1", "j2"].map((id) => at(made, id).start.slice(11))).toEqual(["08:00", "09:00", "09:00"]);
    const { plan } = replanned(p, (n) => {
      n.builds[0].jobs[0].partsFrom = "2027-03-01T08:30";
    });
    expect(plan.jobs.map((j) => j.end.slice(0, 10))).toEqual(["2027-03-01", "2027-03-01", "2027-03-01"]);
  });

  it("takes a start within a quarter of an hour for no move, and what is lost before all else", () => {
    const p = problem([
      { minutes: 60, crew: body },
      { minutes: 60, crew: body },
    ]);
    const made = makePlan(p, { iterations: 10 });
    const next = { ...structuredClone(p), published: structuredClone(made) } as Problem;
    const shifted = (minutes: number) => {
      const c = compile(readProblem(next));
      const rule = keptRules(c)[0];
      const keep = rule.keep!.map((k) => k && { ...k, start: k.start + minutes });
      return upheavalOf(generate(c, { ...rule, keep }));
    };
    expect(shifted(15).moved).toBe(0);
    expect(shifted(16).moved).toBe(2);
    const none = { lost: 0, pins: 0, days: 0, moved: 0, frozen: 0, all: 100 };
    expect(noise({ ...none, moved: 3, days: 1 })).toBe(8);
    expect(noise({ ...none, lost: 1 })).toBeGreaterThan(noise({ ...none, moved: 100, days: 200 }));
    // A job of the days to be left alone weighs as much as four others.
    expect(noise({ ...none, moved: 1, frozen: 1 })).toBe(noise({ ...none, moved: 4 }));
    // A tenth of the wall is still looked at; what turns over more has to save more than a week.
    expect(noise({ ...none, moved: 12 })).toBeGreaterThan(noise({ ...none, moved: 10, days: 6 }));
    expect(noise({ ...none, moved: 12 })).toBeLessThan(noise({ ...none, moved: 10, days: 7 }));
  });

  it("lays a new build into the gaps and leaves the others alone", () => {
    const p = problem([
      { minutes: 120, crew: body },
      { minutes: 120, crew: trim, after: [{ job: "j0" }] },
    ]);
    const { plan, moved } = replanned(p, (n) => {
      const [a] = n.builds;
      n.builds.push({
        ...structuredClone(a),
        id: "b",
        name: "B",
        jobs: [{ ...structuredClone(a.jobs[0]), id: "k0", minutes: 60 }],
      });
    });
    expect(moved).toEqual([]);
    expect(at(plan, "k0").start).toBe("2027-03-01T10:00");
  });

  it("says nothing where more is hit than a small search can settle, or nothing is", () => {
    const p = problem(Array.from({ length: 45 }, () => ({ minutes: 60, crew: body })));
    const made = makePlan(p, { iterations: 0 });
    const next = { ...structuredClone(p), published: structuredClone(made) } as Problem;
    const rule = () => {
      const c = compile(readProblem(next));
      return quietRule(c, keptRules(c)[0], 100);
    };
    expect(rule()).toBeUndefined();
    away(next, ill("ines", "2027-03-01T07:00", "2027-03-12T18:00"));
    expect(rule()).toBeUndefined();
  });
});

describe("by hand", () => {
  it("hands over first, then waits, and pushes on what overlaps in the published order", () => {
    const p = problem(
      [
        { minutes: 120, crew: [{ skill: "body", count: 1, level: 3 }] },
        { minutes: 120, crew: [{ skill: "body", count: 1, level: 3 }] },
        { minutes: 120, crew: trim, after: [{ job: "j0" }] },
      ],
      threePeople,
    );
    const made = makePlan(p, { iterations: 10 });
    const next = { ...structuredClone(p), published: structuredClone(made) } as Problem;
    away(next, ill("ines", "2027-03-01T07:00", "2027-03-01T12:00"));
    const c = compile(readProblem(next));
    const rule = byHand(c, keptRules(c)[0])!;
    const g = generate(c, rule);
    const start = (id: string) => c.zone.show(g.board.placed[c.jobs.find((j) => j.id === id)!.index]!.start).slice(11);
    const [first, second] = ["j0", "j1"].sort((x, y) => at(made, x).start.localeCompare(at(made, y).start));
    // Nobody else is good enough: after her morning off she does both in the order in which they were.
    expect([start(first), start(second)]).toEqual(["13:00", "15:00"]);
    expect(start("j2") >= (first === "j0" ? "15:00" : "17:00") || start("j2") === "08:00").toBe(true);
  });

  it("does not know what to do with work that was never published, or whose place is gone", () => {
    const p = problem([{ minutes: 60, crew: body, place: "van" }]);
    const made = makePlan(p, { iterations: 0 });
    const next = { ...structuredClone(p), published: { ...structuredClone(made), jobs: [] } } as unknown as Problem;
    const c = compile(readProblem(next));
    expect(byHand(c, keptRules(c)[0])).toBeUndefined();
  });
});
