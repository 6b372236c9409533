import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { at, job, NOW, testBuild, testShop } from "../testing/shop";
import { bayStands } from "./bay-stands";

describe("vans that stand in a bay", () => {
  /** The fan on Wednesday from 10 to 12, the window on Friday at 8 behind the fan's bond, with the van in the bay till Monday. */
  function standing(more: object = {}) {
    const shop = testShop([testBuild("a"), testBuild("b")]);
    const row = (id: string, from: string, to: string, why: object[], place = "b2") => ({
      id,
      start: `2027-03-${from}`,
      end: `2027-03-${to}`,
      work: [[`2027-03-${from}`, `2027-03-${to}`]],
      place,
      fitters: ["ines"],
      why,
    });
    const plan = {
      jobs: [
        row(job(shop, "OP-04").id, "03T10:00", "03T12:00", []),
        row(job(shop, "OP-06a").id, "05T08:00", "05T12:00", [{ kind: "hold", text: "the fan is left untouched" }]),
        row(shop.builds[1].jobs[0].id, "08T08:00", "08T10:00", [{ kind: "bay", text: "held" }]),
      ],
      stays: [{ build: "a", place: "b2", from: "2027-03-03T10:00", to: "2027-03-05T12:00" }],
      builds: [],
      unplaced: [],
      pinsBroken: [],
      ...more,
    } as unknown as Plan;
    return { shop, plan };
  }
  it("are told for each bay: hours by cause, the longer stretches, who waits for it", () => {
    const { shop, plan } = standing();
    const stands = bayStands(shop, plan, NOW)!;
    expect([...stands.keys()]).toEqual(shop.bays.map((b) => b.id));
    const { sums, long, asked } = stands.get("b2")!;
    expect(sums.map((s) => s.cause)).toEqual(["cure"]);
    expect(long).toEqual([
      expect.objectContaining({ build: "a", from: at("2027-03-03T12:00"), to: at("2027-03-05T08:00"), text: "the fan is left untouched" }),
    ]);
    expect(sums[0].minutes).toBe(long[0].minutes);
    expect(asked).toEqual(["b"]);
    expect(stands.get("b1")).toEqual({ sums: [], long: [], asked: [] });
  });
  it("are looked at four weeks ahead, and not at all without shop hours", () => {
    const later = standing({ stays: [{ build: "a", place: "b2", from: "2027-05-03T10:00", to: "2027-05-05T12:00" }] });
    expect(bayStands(later.shop, later.plan, NOW)!.get("b2")!.sums).toEqual([]);
    later.shop.calendars = [];
    expect(bayStands(later.shop, later.plan, NOW)).toBeUndefined();
  });
});
