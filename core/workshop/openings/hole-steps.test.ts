import { describe, expect, it } from "vitest";
import { HOLE_STEPS, type HoleStep, type Penetration } from "../records/kinds/hole";
import { chainFaults, HOLE_STEP_WORDS, holeStepped, nextStep, proofSet } from "./hole-steps";

const hole: Penetration = { side: "roof", place: "bay 2", by: "us", state: "set out" };
const upTo = (step: HoleStep, p = hole): Penetration => {
  let h = p;
  for (const s of HOLE_STEPS.slice(0, HOLE_STEPS.indexOf(step) + 1)) {
    const next = holeStepped(h, s, "Teo", 100);
    if (typeof next === "string") throw new Error(next);
    h = next;
  }
  return h;
};

describe("the chain of one hole", () => {
  it("is kept in order: a step waits for the one in front of it, and says why", () => {
    expect(nextStep(hole)).toBe("pilot");
    expect(holeStepped(hole, "mark", "Teo", 1)).toBe("pilot from inside comes first: ribs and harness are in sight from there");
    expect(nextStep(upTo("corners"))).toBe("deburr");
    expect(Object.keys(HOLE_STEP_WORDS)).toEqual([...HOLE_STEPS]);
  });
  it("moves the hole on: cut with the last cuts, its edge safe with the coat", () => {
    expect(upTo("cut").state).toBe("set out");
    expect(upTo("last").state).toBe("cut");
    expect(upTo("degrease").state).toBe("cut");
    expect(upTo("coat").state).toBe("protected");
  });
  it("a step done again opens all behind it, and bares a coated edge", () => {
    const again = holeStepped(upTo("coat"), "dry fit", "Nils", 200) as Penetration;
    expect(Object.keys(again.chain!)).toEqual(HOLE_STEPS.slice(0, HOLE_STEPS.indexOf("dry fit")));
    expect(again.state).toBe("cut");
    expect(nextStep(again)).toBe("dry fit");
  });
  it("a hole that was said to be cut without its chain goes on from there", () => {
    const cut: Penetration = { ...hole, state: "cut" };
    expect(nextStep(cut)).toBe("dress");
    expect((holeStepped(cut, "dress", "Teo", 1) as Penetration).state).toBe("cut");
    expect(holeStepped(cut, "sizes", "Teo", 1)).toMatch(/edge dressed flat comes first/);
    expect(nextStep({ ...hole, state: "protected" })).toBeUndefined();
  });
  it("does not touch a closed hole", () => {
    expect(holeStepped({ ...upTo("coat"), state: "closed" }, "coat", "Teo", 1)).toMatch(/it is closed/);
  });
  it("an edge is safe only once its chain is through, closed only with its photos, or with a reason", () => {
    const cut = { ...upTo("dress"), state: "protected" as const };
    expect(chainFaults(cut, [], "")[0].message).toMatch(/sizes and diagonals is open/);
    expect(chainFaults(cut, [], "no coat on plastic")).toEqual([]);
    expect(chainFaults({ ...hole, state: "protected" }, [], "")).toEqual([]);
    const closed = { ...upTo("coat"), state: "closed" as const };
    expect(chainFaults(closed, ["cut", null], "")[0].message).toMatch(/no photo shows dry fit, edge/);
    expect(chainFaults(closed, ["cut", "dry fit", "edge"], "")).toEqual([]);
  });
  it("its proof set is what its photos were said to show", () => {
    const set = proofSet(["cut", "bead", null, "dry fit"]);
    expect(set.filter((p) => p.there).map((p) => p.what)).toEqual(["cut", "bead"]);
    expect(set).toHaveLength(6);
  });
});
