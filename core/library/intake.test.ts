// How the van comes switches jobs, hours, parts and questions at once.

import { describe, expect, it } from "vitest";
import { vans } from "../van/model";
import { choiceOf } from "./choices";
import { conflictsOf } from "./conflicts";
import { compareNetworks } from "./impact";
import { buildNetwork } from "./network";
import { completeOptions, DEFAULT_OPTIONS, OPTION_KEYS, type Options } from "./options";
import { quantitiesOf } from "./quantities";

const van = vans[1].geometry;
const FULL: Options = { ...DEFAULT_OPTIONS, rack: true, skylight: true, wallUnits: true };
const change = (o: Partial<Options>) => compareNetworks(buildNetwork(FULL, van), buildNetwork({ ...FULL, ...o }, van));
const codes = (i: ReturnType<typeof change>) => i.changed.map((c) => c.after.code.slice(0, 5));

describe("how the van comes", () => {
  it("is asked first, in a group of its own, and an earlier build stands at a plain van", () => {
    const asked = OPTION_KEYS.filter((k) => choiceOf(k).group === "How the van comes");
    expect(asked).toEqual(OPTION_KEYS.slice(0, 8));
    const { exFleet: _x, partition: _y, loadFloor: _z, ...old } = DEFAULT_OPTIONS;
    expect(completeOptions(old)).toEqual(DEFAULT_OPTIONS);
  });
  it("a partition is a job of its own, and the cleaning waits for it", () => {
    const i = change({ partition: true });
    expect(i.added.map((j) => j.code)).toEqual(["ST-09"]);
    expect(i.minutes).toBeGreaterThan(60);
    expect(
      i.moved.find((m) => m.code === "ST-06")?.waitsFor ??
        buildNetwork({ ...FULL, partition: true }, van)
          .find((j) => j.code === "ST-06")!
          .after.map((a) => a.job),
    ).toContain("ST-09");
  });
  it("a fleet van takes longer to strip and to close; a bonded floor longer, none shorter", () => {
    expect(codes(change({ exFleet: true }))).toEqual(["ST-04", "ST-07"]);
    expect(change({ exFleet: true }).minutes).toBeGreaterThan(0);
    expect(change({ loadFloor: "bonded" }).minutes).toBeGreaterThan(0);
    expect(change({ loadFloor: "none" }).minutes).toBeLessThan(0);
  });
  it("without points on the roof rails are ordered and drilled; with rails nothing is", () => {
    const none = change({ roofPoints: "none" });
    const rack = none.changed.find((c) => c.after.code === "OP-10")!;
    expect(rack.after.parts.map((p) => p.name)).toContain("Roof rails with fixings");
    expect(none.cost).toBe(260);
    expect(rack.minutes).toBeGreaterThan(0);
    expect(change({ roofPoints: "rails" }).minutes).toBeLessThan(0);
    expect(change({ roofPoints: "rails" }).cost).toBe(0);
  });
  it("a climate unit in the rear changes roof plan, ceiling and wall units, and is told against fan and skylight", () => {
    expect(codes(change({ rearClimate: true }))).toEqual(["OP-01", "PA-03", "FU-05"]);
    const mark = buildNetwork({ ...FULL, rearClimate: true }, van).find((j) => j.code === "OP-01")!;
    expect(mark.ask.join()).toMatch(/climate unit marked as shut on the roof plan/);
    const told = (o: Options) => conflictsOf(o, van).filter((c) => c.text.includes("climate unit")).length;
    expect([told(FULL), told({ ...FULL, rearClimate: true })]).toEqual([0, 2]);
  });
  it("added circuits are traced and asked for; two sliding doors are filled and lined; factory mats save some of ours", () => {
    const safe = change({ addedCircuits: true }).changed.find((c) => c.after.code === "ST-03")!;
    expect(safe.minutes).toBeGreaterThan(0);
    expect(safe.after.ask.join()).toMatch(/Every added circuit/);
    expect(codes(change({ sideDoors: "two" }))).toEqual(["IN-10", "PA-05"]);
    const [bare, matted] = [false, true].map((factoryDamping) => quantitiesOf({ ...FULL, damping: "full", factoryDamping }, van));
    expect(matted.dampingKg / bare.dampingKg).toBeCloseTo(0.875, 2);
    expect(matted.dampingSheets).toBeLessThan(bare.dampingSheets);
  });
});
