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
  it("counts not where somebody helps with a part, and names a fitter that does not exist", () => {
    const p = plan(
      problem([
        {
          minutes: 120,
          crew: [{ skill: "body" }, { skill: "any", during: { from: 0, to: 30 } }],
          slow: [
            { fitter: "ines", factor: 1.5 },
            { fitter: "teo", factor: 1.5 },
          ],
        },
      ]),
    );
    expect(at(p, "j0").end.slice(11)).toBe("10:00");
    expect(() => readProblem(problem([{ minutes: 60, crew, ...slow("nobody", 2) }]))).toThrow(InputError);
  });
});
