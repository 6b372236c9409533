import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import { InputError } from "./fault";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { at, plan, problem } from "./testing/small";

const crew = [{ skill: "any" }];
const slow = (fitter: string, factor: number) => ({ slow: [{ fitter, factor }] });

describe("who is new to a kind of work", () => {
  it("takes so many times as long; who knows it goes first", () => {
    const one = plan(problem([{ minutes: 120, crew, ...slow("ines", 1.5) }]));
    expect([at(one, "j0").fitters, at(one, "j0").end.slice(11)]).toEqual([["teo"], "10:00"]);
    const both = plan(
      problem([
        {
          minutes: 120,
          crew,
          slow: [
            { fitter: "ines", factor: 1.5 },
            { fitter: "teo", factor: 1.2 },
          ],
        },
      ]),
    );
    expect([at(both, "j0").fitters, at(both, "j0").end.slice(11)]).toEqual([["teo"], "10:24"]);
    const only = plan(problem([{ minutes: 120, crew: [{ skill: "body" }], ...slow("ines", 1.5) }]));
    expect(at(only, "j0").end.slice(11)).toBe("11:00");
  });
  it("goes on by whoever of a crew knows it, and is rounded up to the minute", () => {
    const pair = plan(problem([{ minutes: 120, crew: [{ skill: "any", count: 2 }], ...slow("ines", 1.5) }]));
    expect(at(pair, "j0").end.slice(11)).toBe("10:00");
    const odd = plan(problem([{ minutes: 7, crew: [{ skill: "body" }], ...slow("ines", 1.2) }]));
    expect(at(odd, "j0").end.slice(11)).toBe("08:09");
  });
  it("is found by the checker when a plan takes no notice", () => {
    const p = problem([{ minutes: 120, crew: [{ skill: "body" }], ...slow("ines", 1.5) }]);
    const free = makePlan(problem([{ minutes: 120, crew: [{ skill: "body" }] }]), { iterations: 0 });
    expect(checkPlan(p, readPlan(free)).map((f) => f.text)).toContain("j0 works 120 of 180 minutes");
  });
  const helped = (during: { from: number; to: number }) => [{ skill: "body" }, { skill: "any", during }];
  it("is as slow where somebody comes for a part, who comes as much later", () => {
    const made = plan(problem([{ minutes: 120, crew: helped({ from: 60, to: 90 }), ...slow("ines", 1.5) }]));
    expect(at(made, "j0").end.slice(11)).toBe("11:00");
    expect(at(made, "j0").helpers).toEqual([{ fitter: "teo", work: [["2027-03-01T09:30", "2027-03-01T10:15"]] }]);
  });
  it("is no quicker for a helper who knows the work", () => {
    const made = plan(problem([{ minutes: 120, crew: helped({ from: 0, to: 120 }), ...slow("ines", 1.5) }]));
    expect(at(made, "j0").end.slice(11)).toBe("11:00");
  });
  it("begins so early that a helper who is busy until then comes in at the later minute", () => {
    const made = plan(
      problem([
        { minutes: 120, crew: helped({ from: 60, to: 90 }), ...slow("ines", 1.5) },
        { minutes: 120, crew: [{ skill: "trim", level: 2 }], pin: { start: "2027-03-01T08:00" } },
      ]),
    );
    expect([at(made, "j0").start.slice(11), at(made, "j0").helpers![0].work]).toEqual([
      "08:30",
      [["2027-03-01T10:00", "2027-03-01T10:45"]],
    ]);
  });
  it("is found by the checker where the helper comes at the usual minute", () => {
    const p = problem([{ minutes: 120, crew: helped({ from: 60, to: 90 }), ...slow("ines", 1.5) }]);
    const made = structuredClone(plan(p));
    at(made, "j0").helpers![0].work = [["2027-03-01T09:00", "2027-03-01T09:30"]];
    expect(checkPlan(p, readPlan(made)).map((b) => b.rule)).toContain("crew");
  });
  it("names a fitter that does not exist", () => {
    expect(() => readProblem(problem([{ minutes: 60, crew, ...slow("nobody", 2) }]))).toThrow(InputError);
  });
});
