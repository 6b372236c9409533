// The mass ledger: what left, what goes back, what is chosen, and what is left of the gross mass.

import { describe, expect, it } from "vitest";
import { massLines, massOf } from "../../library/mass";
import { vans } from "../../van/model";
import { readRecord } from "../records/kinds/kinds";
import { entry } from "../testing/entry";
import { NOW, PLAIN } from "../testing/shop";
import { massLedger } from "./mass-ledger";

const van = vans[1];
const { axles } = van.geometry;
const item = (title: string, kg: number, fate: string, more: object = {}) => entry("item", title, { from: "hold", kg, fate }, more);
const of = (...records: ReturnType<typeof entry>[]) => massLedger({ records, options: PLAIN }, van);
const chosen = Math.round(massOf(PLAIN, van.geometry) * 10) / 10;

describe("the mass ledger of a build", () => {
  it("starts from the weighing as it came, less what was aboard; without one from the template, and says so", () => {
    expect(of().start).toEqual({ kg: axles.kerbFrontKg + axles.kerbRearKg, from: `the template of ${van.name}`, weighed: false });
    const slip = entry("weighing", "Slip 11", { when: "came", frontKg: 1210, rearKg: 980, aboardKg: 85 });
    expect(of(slip).start).toEqual({ kg: 2105, from: "Slip 11", weighed: true });
  });
  it("takes off all that left, whatever becomes of it, and puts back what is kept; what stays on never left", () => {
    const m = of(
      item("Load floor", 52, "scrap"),
      item("Racking", 31.5, "sell", { closedAt: NOW }),
      item("Trim", 4, "keep"),
      item("Beacon", 2.5, "undecided"),
      item("Bulkhead", 20, "stays on"),
    );
    expect([m.out, m.back]).toEqual([90, 4]);
    expect(m.lines.filter((l) => l.kind === "out").map((l) => l.what)).toEqual([
      "Load floor, to be scrapped",
      "Racking, to be sold",
      "Trim, kept, goes back in",
      "Beacon, not decided",
    ]);
    expect(m.ready).toBeCloseTo(m.start.kg - 90 + 4 + m.in, 1);
    expect(m.left).toBeCloseTo(axles.grossKg - m.ready, 1);
  });
  it("adds each choice that weighs something; together they are what the choices weigh", () => {
    const m = of();
    expect(Math.abs(m.in - chosen)).toBeLessThan(1);
    expect(m.lines.every((l) => l.kind === "in" && l.kg > 0 && l.at === null)).toBe(true);
    expect(massLines({ ...PLAIN, insulation: "spray" }, van.geometry).find((l) => l.key === "insulation")!.kg).toBeGreaterThan(
      massLines({ ...PLAIN, insulation: "fibre" }, van.geometry).find((l) => l.key === "insulation")!.kg,
    );
  });
  it("holds a later weighing against the sums", () => {
    const m = of(
      entry("weighing", "Slip 11", { when: "came", frontKg: 1200, rearKg: 900 }),
      item("Load floor", 52, "scrap"),
      entry("weighing", "Slip 12", { when: "stripped", frontKg: 1180, rearKg: 875 }),
      entry("weighing", "Slip 13", { when: "between", frontKg: 1190, rearKg: 905 }),
    );
    expect(m.later).toEqual([
      { what: "stripped, Slip 12", kg: 2055, off: 7 },
      { what: "in between, Slip 13", kg: 2095, off: null },
    ]);
  });
  it("refuses a weighing without an axle, by its field", () => {
    expect(() => readRecord("weighing", { when: "came", frontKg: 1200 })).toThrow(/rearKg/);
    expect(readRecord("weighing", { when: "came", frontKg: 1200, rearKg: 900 }).faults).toEqual([]);
  });
});
