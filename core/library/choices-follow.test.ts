// Every choice is followed by what it touches: jobs, hours, parts or kilograms; and words carry the numbers that the parts do.

import { describe, expect, it } from "vitest";
import { calculator } from "../setout/calculators";
import { factsOf } from "../setout/engine/facts";
import { damping } from "../setout/strip/damping/damping";
import { vans } from "../van/model";
import { conflictsOf } from "./conflicts";
import { compareNetworks } from "./impact";
import { layoutOf } from "./layout";
import { massOf } from "./mass";
import { buildNetwork, type NetworkJob } from "./network";
import { DEFAULT_OPTIONS, OPTION_KEYS, type OptionKey, type Options, valuesOf } from "./options";
import { quantitiesOf } from "./quantities";
import { shipped } from "./testing";

const van = vans[1].geometry;
const of = (more: Partial<Options>) => buildNetwork({ ...FULL, ...more }, van);
/** With everything in it, so that a choice about a thing finds the thing. */
const FULL: Options = {
  ...DEFAULT_OPTIONS,
  fan: true,
  skylight: true,
  windows: 2,
  rearWindows: true,
  solar: 2,
  pods: true,
  rack: true,
  water: "inside",
  gas: "locker",
  heater: "diesel",
  kitchen: "left",
  wetRoom: "panelled",
  wallUnits: true,
  wardrobe: true,
};
const part = (jobs: readonly NetworkJob[], code: string, name: RegExp) =>
  jobs.find((j) => j.code === code)?.parts.find((p) => name.test(p.name))?.quantity ?? 0;

describe("every choice", () => {
  it.each(
    OPTION_KEYS.flatMap((k) =>
      valuesOf(k)
        .filter((v) => v !== FULL[k])
        .map((v) => [k, v] as const),
    ),
  )("%s: %s changes what is done, counted, drawn or refused", (key: OptionKey, value) => {
    const next = { ...FULL, [key]: value };
    const i = compareNetworks(buildNetwork(FULL, van), buildNetwork(next, van));
    const kg = massOf(next, van) - massOf(FULL, van);
    const counted = i.added.length + i.removed.length + i.changed.length + i.moved.length + Math.abs(kg);
    const seen = (o: Options) => JSON.stringify([conflictsOf(o, van), layoutOf(o, vans[1])]);
    expect(counted > 0 || seen(next) !== seen(FULL)).toBe(true);
  });
  it("that takes a unit out takes its parts, its hours and its kilograms with it", () => {
    for (const off of [{ fan: false }, { skylight: false }, { windows: 0 }, { solar: 0 }, { rack: false }, { wallUnits: false }]) {
      const i = compareNetworks(of({}), of(off));
      expect([off, i.minutes < 0, i.cost < 0, massOf({ ...FULL, ...off }, van) < massOf(FULL, van)]).toEqual([off, true, true, true]);
    }
  });
});

describe("damping", () => {
  it.each(["part", "full"] as const)("%s: parts, kilograms, words and the set-out sheet all say the same", (cover) => {
    const options = { ...FULL, damping: cover };
    const q = quantitiesOf(options, van);
    const jobs = buildNetwork(options, van);
    const d = calculator("damping").prefill!(factsOf(shipped("IN-01"), van, options))!.draft as Record<string, string> & {
      panels: Record<string, string>[];
    };
    const sheet = damping.run({
      sheet: { w: +d["sheet.w"], h: +d["sheet.h"], kgM2: +d["sheet.kgM2"] },
      waste: +d.waste,
      panels: d.panels.map((p) => ({ name: p.name, w: +p.w, h: +p.h, count: +p.count, cover: +p.cover })),
    });
    expect(part(jobs, "IN-01", /mat/)).toBe(q.dampingSheets);
    expect(sheet.parts).toEqual([{ name: jobs.find((j) => j.code === "IN-01")!.parts[0].name, quantity: q.dampingSheets, unit: "sheet" }]);
    expect(sheet.massKg).toBeCloseTo(q.dampingKg, 1);
    const means = jobs.find((j) => j.code === "IN-01")!.means.join(" ");
    if (cover === "full") expect(means).toContain(`${q.dampingSheets} sheets of mat, ${q.dampingKg} kg`);
  });
  it("in full weighs what it weighs everywhere", () => {
    const kg = (damping: Options["damping"]) => quantitiesOf({ ...FULL, damping }, van).dampingKg;
    expect(massOf({ ...FULL, damping: "full" }, van) - massOf({ ...FULL, damping: "part" }, van)).toBeCloseTo(kg("full") - kg("part"), 6);
  });
});

describe("the floor", () => {
  it("takes screws only where there is something to screw into", () => {
    expect(part(of({ floor: "battens" }), "IN-06", /screws/i)).toBeGreaterThan(100);
    expect(part(of({ floor: "bonded" }), "IN-06", /screws/i)).toBe(0);
    expect(part(of({ floor: "bonded" }), "IN-06", /adhesive/i)).toBeGreaterThan(0);
  });
  it("counts battens as they are laid: pieces and metres of timber", () => {
    const q = quantitiesOf(FULL, van);
    expect(of({}).find((j) => j.code === "IN-04")!.pieces!.count).toBe(q.floorBattens);
    expect(q.floorBattenM).toBeCloseTo((q.floorBattens * van.inside.widthFloorMm) / 1000, 1);
  });
});

describe("words", () => {
  it("carry no number that somebody wrote by hand where the van decides it", () => {
    for (const key of ["damping", "floor"] as const)
      for (const value of valuesOf(key))
        for (const j of buildNetwork({ ...FULL, [key]: value }, vans[0].geometry)) for (const m of j.means) expect(m).not.toMatch(/\{|\}/);
  });
});
