import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { drawVan, VIEWS } from "./drawing";
import { readVans, vans } from "./model";
import { asMeasured, differs, READINGS, readingStates, readingsOf } from "./readings";

const copy = () => JSON.parse(JSON.stringify(vans)) as (typeof vans)[number][];

describe("van templates", () => {
  it("are four, each checked against itself", () => {
    expect(vans.map((v) => v.name)).toEqual(["Drover L2H2", "Drover L3H2", "Drover L3H3", "Tern L1H1"]);
    for (const v of vans) {
      const g = v.geometry;
      expect(g.inside.widthRoofMm).toBeLessThan(g.inside.widthWaistMm);
      expect(g.axles.kerbFrontKg + g.axles.kerbRearKg).toBeLessThan(g.axles.grossKg);
      expect(g.underZones.some((z) => z.use === "free") && g.underZones.some((z) => z.use === "no-drill")).toBe(true);
      // Panels of a side are no larger than the side.
      const left = g.panels.filter((p) => p.zone === "left").reduce((n, p) => n + p.areaM2, 0);
      expect(left).toBeLessThan((g.inside.lengthMm * g.inside.heightMm) / 1e6);
    }
  });
  it.each([
    [(v: (typeof vans)[number]) => (v.geometry.inside.lengthMm = 9000), /\[1\]\.geometry\.inside\.lengthMm: is longer than the van/],
    [(v: (typeof vans)[number]) => (v.geometry.arches.depthMm = 100), /betweenArchesMm: does not fit the arches/],
    [(v: (typeof vans)[number]) => (v.geometry.roofRibs[2].atMm = 10), /roofRibs\[2\]: does not lie behind/],
    [(v: (typeof vans)[number]) => (v.geometry.windowFields[0].heightMm = 3000), /windowFields\[0\]: reaches above the roof/],
    [(v: (typeof vans)[number]) => (v.geometry.slider.fromMm = 3600), /slider: reaches beyond/],
  ])("refuse what can't be (%#)", (change, text) => {
    const broken = copy();
    change(broken[1]);
    expect(() => readVans(broken)).toThrow(text);
    expect(() => readVans(broken)).toThrow(InputError);
  });
});

describe("drawings", () => {
  it("draw every view of every van inside its bounds, each zone of work in some view", () => {
    for (const v of vans) {
      const seen = new Set<string>();
      for (const view of VIEWS) {
        const d = drawVan(v, view);
        expect(d.parts.length).toBeGreaterThan(2);
        for (const z of d.zones) {
          seen.add(z.zone);
          expect(z.box.x, `${v.name} ${view} ${z.zone}`).toBeGreaterThanOrEqual(0);
          expect(z.box.x + z.box.w).toBeLessThanOrEqual(d.width);
        }
        for (const p of d.parts)
          if (p.kind === "box") {
            expect(p.box.x, `${v.name} ${view} ${p.role}`).toBeGreaterThanOrEqual(0);
            expect(p.box.x + p.box.w).toBeLessThanOrEqual(d.width);
            expect(p.box.y + p.box.h).toBeLessThanOrEqual(d.height);
          }
      }
      for (const z of ["left", "right", "rear", "nose", "floor", "ceiling", "roof", "underside"]) expect(seen, z).toContain(z);
    }
  });
  it("mirrors the right side: the slider lies as far from the nose", () => {
    const v = vans[1];
    const door = drawVan(v, "right").parts.find((p) => p.kind === "box" && p.role === "door");
    const x = v.geometry.cabMm + v.geometry.slider.fromMm;
    expect(door?.kind === "box" && v.lengthMm - door.box.x - door.box.w).toBe(x);
    expect(drawVan(v, "left").parts.some((p) => p.kind === "box" && p.role === "door")).toBe(false);
  });
});

describe("the real van against its template", () => {
  const g = vans[1].geometry;
  const reading = (name: string) => READINGS.find((r) => r.name === name)!;
  it("tells what is more than 4 mm off", () => {
    expect(differs(reading("widthWaist"), g, 1874)).toBeUndefined();
    expect(differs(reading("widthWaist"), g, 1875)).toBe(5);
    expect(differs(reading("height"), g, 1920)).toBe(-10);
  });
  it("wants two readings that agree within 2 mm", () => {
    const s = readingStates(g, [
      { name: "height", mm: 1932, againMm: 1931 },
      { name: "length", mm: 3706, againMm: 3700 },
      { name: "crown", mm: 38, againMm: null },
    ]);
    const of = (n: string) => s.find((x) => x.name === n)!;
    expect([of("height").state, of("length").state, of("crown").state, of("slider").state]).toEqual(["agreed", "unlike", "once", "open"]);
    expect([of("height").offMm, of("length").offMm]).toEqual([null, 6]);
  });
  it("puts what was measured in the template's place, save readings that don't agree", () => {
    const m = asMeasured(g, [
      { name: "widthWaist", mm: 1861, againMm: 1862 },
      { name: "length", mm: 3600, againMm: 3700 },
    ]);
    expect(m.inside.widthWaistMm).toBe(1861);
    expect(m.inside.lengthMm).toBe(g.inside.lengthMm);
    for (const r of readingsOf(g)) expect(r.of(r.put(g, 77)), r.name).toBe(77);
    expect(readingsOf(g)).toHaveLength(READINGS.length + 3 * (g.roofRibs.length + g.sideRibs.length));
    // Another pitch of the ribs than the template has: later bays are the real ones.
    const [first, second] = asMeasured(g, [{ name: "roofRibs2", mm: g.roofRibs[1].atMm + 12, againMm: null }]).roofRibs;
    expect([first.atMm, second.atMm]).toEqual([g.roofRibs[0].atMm, g.roofRibs[1].atMm + 12]);
  });
});
