// What must hold of the small sheets whatever is typed: what grows with what, what adds up, and what one says of another.

import { describe, expect, it } from "vitest";
import { type Random, random } from "../rng";
import { findCalculator } from "./calculators";
import type { Outcome } from "./engine/outcome";

// biome-ignore lint/suspicious/noExplicitAny: results are read field by field
type Open = Omit<Outcome<any>, "results"> & { results: any };
const run = (name: string, input: unknown): Open => findCalculator(name)!.run(input);
const stops = (o: Open) => o.findings.some((f) => f.level === "stop");

const RUNS = 200;
/** So many draws; each gets its own numbers, the same on every run of the tests. */
function often(seed: number, look: (r: Random, pick: (from: number, to: number) => number) => void): void {
  const r = random(seed);
  for (let k = 0; k < RUNS; k++) look(r, (from, to) => Math.round((from + r() * (to - from)) * 10) / 10);
}

describe("time and temperature", () => {
  it("cures no sooner where it is colder, and in a thicker bead never sooner", () =>
    often(1, (_, pick) => {
      const product = { moveAfterH: pick(2, 30), mm24h: pick(1, 5), minC: 5 };
      const [depth, tempC] = [pick(2, 12), pick(6, 28)];
      const at = (d: number, t: number) => run("cure", { product, depth: d, tempC: t }).results;
      const here = at(depth, tempC);
      const colder = at(depth, Math.max(5, tempC - 4));
      expect(colder.fullDays).toBeGreaterThanOrEqual(here.fullDays);
      expect(colder.moveAfterH).toBeGreaterThanOrEqual(here.moveAfterH);
      expect(at(depth + 1, tempC).fullDays).toBeGreaterThanOrEqual(here.fullDays);
      // Below its least there is no figure at all.
      expect(at(depth, 4).fullDays).toBeNull();
    }));
  it("lets the next coat go on later where it is colder, and always before it has to be scuffed", () =>
    often(2, (_, pick) => {
      const earliestH = pick(1, 8);
      const input = { earliestH, latestH: earliestH + pick(1, 40), tempC: pick(6, 30) };
      const o = run("recoat", input).results;
      expect(o.earliestH).toBeLessThanOrEqual(o.latestH + 0.05);
      expect(run("recoat", { ...input, tempC: input.tempC - 3 }).results.earliestH).toBeGreaterThanOrEqual(o.earliestH);
    }));
  it("has a dew point that rises with the damp, is the air's own at 100 %, and never above it", () =>
    often(3, (_, pick) => {
      const input = { airC: pick(-5, 35), humidity: pick(20, 95), skinC: pick(-5, 35) };
      const td = run("dew-point", input).results.dewPointC;
      expect(td).toBeLessThanOrEqual(input.airC + 0.01);
      expect(run("dew-point", { ...input, humidity: input.humidity + 4 }).results.dewPointC).toBeGreaterThanOrEqual(td);
      expect(run("dew-point", { ...input, humidity: 100 }).results.dewPointC).toBeCloseTo(input.airC, 1);
      // A skin that is warm enough stays so when it is warmed.
      if (run("dew-point", input).results.dryEnough)
        expect(run("dew-point", { ...input, skinC: input.skinC + 5 }).results.dryEnough).toBe(true);
    }));
  it("opens one after the other never end before those that share the drying, and no order loses minutes", () =>
    often(4, (r, pick) => {
      const openings = Array.from({ length: 1 + Math.floor(r() * 5) }, (_, i) => ({ name: `o${i}`, cut: pick(20, 90), set: pick(15, 60) }));
      const o = run("session", { openings, drying: pick(0, 90) }).results;
      const work = openings.reduce((n, x) => n + x.cut + x.set, 0);
      expect(o.end).toBeGreaterThanOrEqual(work - 0.5);
      expect(o.end).toBeLessThanOrEqual(o.oneByOne + 0.5);
      o.openings.forEach((x: { cutBy: number; setFrom: number }) => expect(x.setFrom).toBeGreaterThanOrEqual(x.cutBy - 0.01));
    }));
});

describe("electric", () => {
  it("lasts no longer with one more circuit, and the days times the draw are what the battery may give", () =>
    often(5, (r, pick) => {
      const circuits = Array.from({ length: 1 + Math.floor(r() * 4) }, (_, i) => ({
        name: `c${i}`,
        amps: pick(0.1, 3),
        hoursADay: pick(0.5, 24),
      }));
      const input = { capacityAh: pick(60, 200), usable: 0.5, standDays: pick(1, 20), circuits };
      const o = run("battery-stand", input).results;
      // Days are told to a tenth.
      expect(Math.abs(o.daysToFlat - (input.capacityAh * 0.5) / o.ahADay)).toBeLessThan(0.06);
      const more = run("battery-stand", { ...input, circuits: [...circuits, { name: "more", amps: 1, hoursADay: 1 }] }).results;
      expect(more.daysToFlat).toBeLessThanOrEqual(o.daysToFlat);
    }));
  it("takes no thinner cable for more current, a longer way or a lower voltage", () =>
    often(6, (_, pick) => {
      const input = {
        along: pick(500, 4000),
        across: pick(100, 1500),
        drop: pick(500, 2000),
        amps: pick(1, 15),
        volts: 24,
        stock: [1.5, 2.5, 4, 6, 10],
      };
      const least = (more: object) => run("cable", { ...input, ...more }).results.leastMm2;
      for (const more of [{ amps: input.amps + 2 }, { along: input.along + 700 }, { volts: 12 }])
        expect(least(more)).toBeGreaterThanOrEqual(least({}));
      const { mm2, leastMm2, fuseAmps } = run("cable", input).results;
      expect(fuseAmps).toBeGreaterThanOrEqual(1.25 * input.amps - 1e-9);
      // The table of the needs, four fifths of it in a bundle.
      const carries = (s: number) => 0.8 * { 1.5: 15, 2.5: 21, 4: 28, 6: 36, 10: 50 }[s]!;
      const does = (s: number) => s >= leastMm2 - 0.01 && carries(s) >= fuseAmps - 1e-9;
      if (mm2 !== null) {
        expect(does(mm2)).toBe(true);
        // No thinner one in stock would do.
        expect(input.stock.filter((s) => s < mm2 - 1e-9).some((s) => s >= leastMm2 + 0.01 && does(s))).toBe(false);
      } else expect(input.stock.some((s) => s >= leastMm2 + 0.01 && does(s))).toBe(false);
    }));
});

describe("holes and what goes into them", () => {
  it("has a smallest, a wished and a largest hole in this order wherever one can be cut at all", () =>
    often(7, (_, pick) => {
      const spigot = { w: pick(300, 500), h: pick(300, 500) };
      const flange = { w: spigot.w + pick(40, 80), h: spigot.h + pick(40, 80) };
      const o = run("hole-range", { spigot, flange, land: pick(8, 15), clearance: 2, least: 1 });
      for (const side of ["w", "h"] as const) {
        expect(o.results.smallest[side]).toBeLessThan(o.results.hole[side]);
        if (!stops(o)) expect(o.results.hole[side]).toBeLessThanOrEqual(o.results.largest[side]);
      }
      // As read exactly at the wished size it is never too small.
      const read = run("hole-range", { spigot, flange, land: 8, clearance: 2, least: 1, read: o.results.hole });
      expect(read.findings.some((f) => /too small/.test(f.text))).toBe(false);
    }));
  it("lets a frame in exactly up to the largest corner it names", () =>
    often(8, (_, pick) => {
      const [frameRadius, gap] = [pick(10, 80), pick(0.5, 4)];
      const most = run("corners", { cutRadius: frameRadius, frameRadius, gap }).results.largestRadius;
      expect(most).toBeGreaterThanOrEqual(frameRadius);
      expect(run("corners", { cutRadius: most - 0.2, frameRadius, gap }).results.enters).toBe(true);
      const too = run("corners", { cutRadius: most + 0.2, frameRadius, gap }).results;
      expect(too.enters).toBe(false);
      // The gap it asks for is one with which it enters.
      expect(run("corners", { cutRadius: most + 0.2, frameRadius, gap: too.gapNeeded + 0.1 }).results.enters).toBe(true);
    }));
  it("takes the shortest screw in stock that bites and does not come through", () =>
    often(9, (r, pick) => {
      const stock = [16, 20, 25, 30, 35, 40, 50].filter(() => r() < 0.8);
      if (!stock.length) return;
      const o = run("flange-screw", { stack: [pick(2, 6), pick(8, 14), pick(0.6, 1.2)], ring: pick(15, 25), stock }).results;
      expect(o.least).toBeLessThan(o.most);
      expect(o.fits).toEqual(stock.filter((s) => s >= o.least && s <= o.most).sort((a, b) => a - b));
    }));
  it("cuts the collar off or leaves raw edge, never both, and they add up to the difference", () =>
    often(10, (r, pick) => {
      const layers = Array.from({ length: 1 + Math.floor(r() * 5) }, (_, i) => ({ name: `l${i}`, t: pick(1, 30) }));
      const collar = pick(10, 90);
      const o = run("depths", { layers, collar }).results;
      expect(Math.min(o.cutOff, o.rawEdge)).toBe(0);
      expect(o.throat + o.cutOff - o.rawEdge).toBeCloseTo(collar, 1);
      expect(run("depths", { layers: [...layers, { name: "lining" }], collar }).results.throat).toBeNull();
    }));
});

describe("room", () => {
  it("has what is asked and what is there add up in a bed across, in a height, over a tray", () =>
    often(11, (_, pick) => {
      const bed = {
        mattress: { length: pick(1800, 2000), width: pick(1100, 1500) },
        insideWidth: pick(1700, 1900),
        recesses: { left: pick(0, 110), right: pick(0, 110) },
        lining: pick(3, 12),
        slack: 20,
      };
      const b = run("bed-across", bed).results;
      expect(b.fits).toBe(b.room >= b.asked);
      const wider = run("bed-across", { ...bed, insideWidth: bed.insideWidth + 10 }).results;
      expect(wider.room - b.room).toBeCloseTo(10, 5);
      const h = { van: pick(2400, 3100), bay: pick(3000, 4200), working: 1100 };
      expect(run("height", h).results.spare).toBeCloseTo(h.bay - h.van - 1100, 5);
      expect(run("height", h).results.indoors).toBe(run("height", h).results.spare >= 0);
      const d = { trap: pick(30, 60), run: pick(200, 900), fall: 0.02, insideHeight: pick(1850, 2150), floorStack: pick(20, 60) };
      const tray = run("drain", d).results;
      expect(tray.raise).toBeCloseTo(d.trap + 0.02 * d.run, 1);
      expect(tray.headRoom).toBeCloseTo(d.insideHeight - d.floorStack - tray.raise, 1);
    }));
  it("turns a seat clear of a thing exactly when it lies outside its reach", () =>
    often(12, (_, pick) => {
      const [radius, clearance] = [pick(400, 600), pick(10, 40)];
      const left = pick(-900, 700);
      const box = { name: "post", left, right: left + pick(20, 200), bottom: pick(100, 700), top: 800 };
      const near = Math.hypot(Math.max(box.left, 0, -box.right), box.bottom);
      const o = run("swivel", { radius, clearance, around: [box] });
      expect(o.results.reach).toBeCloseTo(radius + clearance, 5);
      if (Math.abs(near - radius - clearance) < 0.5) return;
      expect(o.findings.some((f) => f.level !== "ok" && f.text.includes("post"))).toBe(near < radius + clearance);
    }));
  it("stands every panel foot at the panel's edges, mirrored about the centre line", () =>
    often(13, (_, pick) => {
      const input = {
        centre: pick(600, 900),
        panel: { width: pick(500, 700), length: pick(900, 1300) },
        play: pick(0, 8),
        from: pick(500, 1500),
      };
      const o = run("solar-feet", input).results;
      expect((o.lines[0] + o.lines[1]) / 2).toBeCloseTo(input.centre, 1);
      expect(o.diagonal).toBeCloseTo(Math.hypot(o.pair, o.lines[1] - o.lines[0]), 0);
      expect(o.feet).toHaveLength(4);
      const moved = run("solar-feet", { ...input, from: input.from + 100 }).results;
      o.feet.forEach((f: { at: number; across: number }, i: number) => {
        expect(moved.feet[i].at - f.at).toBeCloseTo(100, 1);
        expect(moved.feet[i].across).toBeCloseTo(f.across, 5);
      });
    }));
  it("carries the plate level: depth and support differ by the plate at every station", () =>
    often(14, (r, pick) => {
      const plate = pick(3, 8);
      const stations = Array.from({ length: 2 + Math.floor(r() * 6) }, (_, i) => ({ at: i * 100, depth: plate + pick(0, 25) }));
      const o = run("edge-support", { plate, stations }).results;
      o.heights.forEach((h: { height: number }, i: number) => expect(h.height).toBeCloseTo(stations[i].depth - plate, 1));
      expect(o.highest).toBeCloseTo(Math.max(...stations.map((s) => s.depth)) - plate, 1);
    }));
  it("scribes as long as there is area without a template", () =>
    often(15, (r, pick) => {
      const uncovered = Array.from({ length: Math.floor(r() * 4) }, (_, i) => ({ name: `u${i}`, m2: pick(0.1, 2) }));
      const o = run("template-gap", { uncovered, minutesPerM2: 25 }).results;
      expect(o.minutes).toBeCloseTo(o.m2 * 25, 0);
      const more = run("template-gap", { uncovered: [...uncovered, { name: "more", m2: 1 }], minutesPerM2: 25 }).results;
      expect(more.minutes - o.minutes).toBeCloseTo(25, 0);
    }));
});
