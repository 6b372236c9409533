// Tickets in a crew: who holds one to the end of the work, and for which place in the crew it is asked.

import { describe, expect, it } from "vitest";
import type { ProblemJob } from "./model";
import { at, plan, problem } from "./testing/small";

const crew: ProblemJob["crew"] = [{ skill: "any", ticket: "gas" }, { skill: "any" }];
const fitter = (id: string, until?: string) => ({
  id,
  name: id,
  calendar: "shop",
  skills: { body: 2 },
  tickets: until ? [{ id: "gas", until }] : [],
});
/** Monday the first; the work takes three days. */
const three = (fitters: ReturnType<typeof fitter>[], asked = crew) => plan(problem([{ minutes: 3 * 480, crew: asked }], { fitters }));

describe("a ticket that runs out before the work is over", () => {
  it("still leaves its holder a place that asks for none", () => {
    for (const fitters of [
      [fitter("ines", "2027-03-02"), fitter("teo", "2027-12-31")],
      [fitter("ines", "2027-12-31"), fitter("teo", "2027-03-02")],
    ]) {
      const made = three(fitters);
      expect(made.unplaced).toEqual([]);
      expect([...at(made, "j0").fitters].sort()).toEqual(["ines", "teo"]);
    }
  });
  it("is not made up for by another's, where two are asked for", () => {
    const made = three([fitter("ines", "2027-03-02"), fitter("teo", "2027-12-31")], [{ skill: "any", ticket: "gas", count: 2 }]);
    expect(made.unplaced.map((u) => u.job)).toEqual(["j0"]);
  });
  it("leaves the work unplaced where nobody else holds one", () => {
    const made = three([fitter("ines", "2027-03-02"), fitter("teo")]);
    expect(made.unplaced.map((u) => u.job)).toEqual(["j0"]);
  });
  it("is good on its last day", () => {
    expect(three([fitter("ines", "2027-03-03"), fitter("teo")]).unplaced).toEqual([]);
  });
});
