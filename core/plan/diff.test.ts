import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { diffPlans } from "./diff";
import type { Plan } from "./model";

const zone = zoneOf("Europe/Lisbon");
const job = (id: string, start: string, fitters = ["f1"], place = "b1") => ({
  id,
  start,
  end: start,
  place,
  fitters,
  why: [{ kind: "fitter" as const, text: "Ines is on it" }],
});
const plan = (jobs: Plan["jobs"], finish?: string): Plan => ({
  format: "wide-lane/plan@1",
  jobs,
  stays: [],
  builds: [{ id: "k", ...(finish ? { finish } : {}) }],
  unplaced: [],
  pinsBroken: [],
});

describe("diffPlans", () => {
  const before = plan([job("a", "2027-03-01T08:00"), job("b", "2027-03-02T08:00"), job("c", "2027-03-03T08:00")], "2027-03-03T12:00");
  it("finds nothing between equal plans", () => expect(diffPlans(zone, before, before, new Set())).toEqual({ moves: [], handovers: [] }));
  it("names moved starts, changed crews and places, with the reason, in order of the new start", () => {
    const after = plan(
      [job("a", "2027-03-04T08:00"), job("b", "2027-03-02T08:00", ["f2"]), job("c", "2027-03-03T08:00", ["f1"], "b2")],
      "2027-03-04T12:00",
    );
    const d = diffPlans(zone, before, after, new Set());
    expect(d.moves.map((m) => m.job)).toEqual(["b", "c", "a"]);
    expect(d.moves[0]).toMatchObject({ oldFitters: ["f1"], newFitters: ["f2"], why: "Ines is on it" });
    expect(d.moves[1]).toMatchObject({ oldPlace: "b1", newPlace: "b2" });
    expect(d.handovers).toEqual([{ build: "k", from: zone.parse("2027-03-03T12:00"), to: zone.parse("2027-03-04T12:00") }]);
  });
  it("leaves facts out and tells what is new, gone or without a place", () => {
    const after: Plan = {
      ...plan([job("a", "2027-03-05T08:00"), job("n", "2027-03-06T08:00")]),
      unplaced: [{ job: "b", reason: "nobody" }],
    };
    const d = diffPlans(zone, before, after, new Set(["a"]));
    expect(d.moves.map((m) => [m.job, m.from === null, m.to === null, m.why])).toEqual([
      ["b", false, true, "nobody"],
      ["c", false, true, "it is no longer in the plan"],
      ["n", true, false, "Ines is on it"],
    ]);
    expect(d.handovers[0].to).toBeNull();
  });
  it("does not care for the order of a crew", () => {
    const a = plan([job("a", "2027-03-01T08:00", ["f1", "f2"])]);
    expect(diffPlans(zone, a, plan([job("a", "2027-03-01T08:00", ["f2", "f1"])]), new Set()).moves).toEqual([]);
  });
});
