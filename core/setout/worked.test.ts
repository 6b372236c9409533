// Worked cases of strip and openings, and what each calculator refuses.

import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { CALCULATORS, findCalculator } from "./calculators";
import type { Outcome } from "./engine/outcome";

// biome-ignore lint/suspicious/noExplicitAny: results are read field by field
type Open = Omit<Outcome<any>, "results"> & { results: any };
const run = (name: string, input: unknown): Open => findCalculator(name)!.run(input);
const worst = (o: Open) => (["stop", "warn", "ok"] as const).find((l) => o.findings.some((f) => f.level === l));
const said = (o: Open) => o.findings.map((f) => f.text).join("; ");
function refused(name: string, input: unknown): string[] {
  try {
    run(name, input);
  } catch (e) {
    if (e instanceof InputError) return e.faults.map((f) => f.path);
    throw e;
  }
  return [];
}

describe("strip", () => {
  it("battery: 4.53 Ah a day, flat after 10.5 days, 11 are needed", () => {
    const input = {
      capacityAh: 95,
      standDays: 9,
      circuits: [
        { name: "standby", amps: 0.12, hoursADay: 24 },
        { name: "lamps", amps: 2.2, hoursADay: 0.75 },
      ],
    };
    const o = run("battery-stand", input);
    expect(o.results).toEqual({ ahADay: 4.53, daysToFlat: 10.5, neededDays: 11 });
    expect(o.findings[0].level).toBe("warn");
    expect(run("battery-stand", { ...input, standDays: 8 }).findings[0].level).toBe("ok");
    expect(run("battery-stand", { ...input, circuits: [] }).results.daysToFlat).toBeNull();
    expect(refused("battery-stand", { ...input, circuits: [{ name: "x", amps: 1, hoursADay: 25 }] })).toEqual(["circuits[0].hoursADay"]);
  });
  it("swivel: a galley 380 beside the pivot begins 418.1 behind it and loses 58.1", () => {
    const unit = { faceBeside: 380, begins: 360, length: 1640 };
    const o = run("swivel", { radius: 540, clearance: 25, unit });
    expect(o.results).toMatchObject({ beginsAt: 418.1, lost: 58.1, lengthLeft: 1581.9 });
    const clear = run("swivel", { radius: 540, clearance: 25, unit: { ...unit, faceBeside: 580 } });
    expect(clear.results).toMatchObject({ lost: 0, lengthLeft: 1640 });
    // A post 500 away to the side: 565 − 500 = 65 in the way.
    const post = run("swivel", { radius: 540, around: [{ name: "post", left: -50, right: 50, bottom: 500, top: 600 }] });
    expect(post.results.around).toEqual([{ name: "post", overlap: 65 }]);
    expect(worst(post)).toBe("stop");
    expect(refused("swivel", { radius: 540, around: [{ name: "p", left: 5, right: 1, bottom: 0, top: 1 }] })).toEqual(["around[0].right"]);
  });
  it("bolt pattern: 1.66 of 2.5 fits; 4.95 is out by 2.45, and a is worse", () => {
    const part = { a: 286, b: 310, hole: 10.5 };
    expect(run("bolt-pattern", { part, van: { a: 284.6, b: 309.1, bolt: 8 } }).results).toMatchObject({ off: 1.66, play: 2.5, fits: true });
    const bad = run("bolt-pattern", { part, van: { a: 281.2, b: 308.8, bolt: 8 } });
    expect(bad.results).toMatchObject({ off: 4.95, outBy: 2.45, worse: "a", fits: false });
    expect(said(run("bolt-pattern", { part, van: { a: 286, b: 310, bolt: 8, diagonals: [420, 423] } }))).toMatch(/diagonals differ by 3/);
    expect(refused("bolt-pattern", { part, van: { a: 286, b: 310, bolt: 11 } })).toEqual(["van.bolt"]);
  });
  it("dew point: 13.45 at 20 °C and 66 %; 14 stops and asks for 16.5, 17 is dry", () => {
    const o = run("dew-point", { airC: 20, humidity: 66, skinC: 14 });
    expect(o.results.dewPointC).toBeCloseTo(13.45, 2);
    expect(said(o)).toMatch(/0\.5 above the dew point.*wait, or warm the skin to 16\.5/);
    const dry = run("dew-point", { airC: 20, humidity: 66, skinC: 17 });
    expect(dry.results).toMatchObject({ aboveK: 3.5, dryEnough: true });
    expect(worst(run("dew-point", { airC: 20, humidity: 66, skinC: 17, minC: 18 }))).toBe("stop");
    // Saturated air: the dew point is the air's own temperature.
    expect(run("dew-point", { airC: 11, humidity: 100, skinC: 20 }).results.dewPointC).toBeCloseTo(11, 6);
    expect(refused("dew-point", { airC: 20, humidity: 0, skinC: 14 })).toEqual(["humidity"]);
  });
  it("recoat: at 9 °C 2.639 times as long, 10:20 is not before 15:37", () => {
    const o = run("recoat", { earliestH: 2, latestH: 36, tempC: 9, coated: "10:20" });
    expect(o.results).toMatchObject({ factor: 2.639, earliestH: 5.28, latestH: 95, notBefore: "15:37" });
    expect(run("recoat", { earliestH: 2, latestH: 36, tempC: 23, coated: "23:30" }).results.notBefore).toBe("01:30, the day after");
    expect(worst(run("recoat", { earliestH: 2, latestH: 36, tempC: 4, minC: 5 }))).toBe("stop");
    expect(refused("recoat", { earliestH: 5, latestH: 2, tempC: 20 })).toEqual(["latestH"]);
    expect(refused("recoat", { earliestH: 1, latestH: 2, tempC: 20, coated: "25:00" })).toEqual(["coated"]);
  });
  it("edge support: 8, 11.5, 15, 3; with 4 the metal is dressed first", () => {
    const stations = [14, 17.5, 21, 9].map((depth, i) => ({ at: i * 100, depth }));
    const o = run("edge-support", { plate: 6, stations });
    expect(o.results.heights.map((h: { height: number }) => h.height)).toEqual([8, 11.5, 15, 3]);
    const proud = run("edge-support", { plate: 6, stations: [...stations.slice(0, 3), { at: 300, depth: 4 }] });
    expect(said(proud)).toMatch(/2 proud: dress it first/);
    expect(refused("edge-support", { plate: 6, stations: [stations[1], stations[0]] })).toEqual(["stations[1].at"]);
  });
  it("lettering: 59.8 off, 171.6 for a clear ghost; 169.0 expected before it is peeled", () => {
    const input = { letterM2: 2.6, panelM2: 7.8, norms: { peel: 14, adhesive: 9, faint: 9, clear: 22 } };
    expect(run("lettering", { ...input, ghost: "clear" }).results).toEqual({ offMinutes: 59.8, polishMinutes: 171.6, minutes: 231.4 });
    expect(run("lettering", { ...input, ghost: "not known", share: 7 / 11 }).results.minutes).toBe(169);
    expect(run("lettering", { ...input, ghost: "none" }).results.minutes).toBe(59.8);
    expect(refused("lettering", { ...input, ghost: "not known" })).toEqual(["share"]);
  });
  it("zone rate: 15.34 minutes a square metre of the last two, 145.8 left", () => {
    const zones = [
      { name: "first", m2: 2, minutes: 90 },
      { name: "a", m2: 3.2, minutes: 54 },
      { name: "b", m2: 4.1, minutes: 58 },
      { name: "c", m2: 9.5 },
    ];
    expect(run("zone-rate", { zones }).results).toEqual({ minutesPerM2: 15.34, restM2: 9.5, minutesLeft: 145.8 });
    expect(refused("zone-rate", { zones: [{ name: "c", m2: 9.5 }] })).toEqual(["zones"]);
  });
});

describe("openings", () => {
  it("hole range: 376 × 370, from 374 × 368 to 396 × 392; 373.2 is too small by 0.8", () => {
    const input = { spigot: { w: 372, h: 366 }, flange: { w: 428, h: 424 }, land: 16 };
    const o = run("hole-range", { ...input, read: { w: 373.2, h: 371 } });
    expect(o.results).toEqual({ hole: { w: 376, h: 370 }, smallest: { w: 374, h: 368 }, largest: { w: 396, h: 392 } });
    expect(said(o)).toMatch(/too small across by 0\.8/);
    expect(said(run("hole-range", { ...input, read: { w: 376, h: 393 } }))).toMatch(/too large down by 1/);
    expect(refused("hole-range", { ...input, flange: { w: 400, h: 424 } })).toEqual(["flange.w"]);
  });
  it("corners: a cut up to 64.8 for 58 and 2; 70 jams, or takes a gap of 3.5", () => {
    const o = run("corners", { cutRadius: 70, frameRadius: 58, gap: 2, blade: 8 });
    expect(o.results).toMatchObject({ enters: false, largestRadius: 64.8, gapNeeded: 3.5, sawAtMost: 140, starterHole: 10 });
    expect(run("corners", { cutRadius: 64.8, frameRadius: 58, gap: 2 }).results.enters).toBe(true);
    expect(worst(run("corners", { cutRadius: 5, frameRadius: 10, gap: 2 }))).toBe("warn");
  });
  it("session: over at 246 minutes, one by one 381", () => {
    const openings = [
      [55, 35],
      [40, 30],
      [48, 38],
    ].map(([cut, set], i) => ({ name: `o${i}`, cut, set }));
    const o = run("session", { openings, drying: 45, slot: 240 });
    expect(o.results.openings.map((x: { cutBy: number; setFrom: number }) => [x.cutBy, x.setFrom])).toEqual([
      [55, 143],
      [95, 178],
      [143, 208],
    ]);
    expect(o.results).toMatchObject({ end: 246, oneByOne: 381 });
    expect(said(o)).toMatch(/6 minutes too long/);
    expect(refused("session", { openings: [], drying: 45 })).toEqual(["openings"]);
  });
  it("bed across: 1941 against 1950 is short by 9; deeper recesses fit", () => {
    const input = { mattress: { length: 1930, width: 1310 }, insideWidth: 1785, recesses: { left: 85, right: 85 }, lining: 7 };
    expect(run("bed-across", input).results).toEqual({ room: 1941, asked: 1950, fits: false, floorWon: 620 });
    expect(said(run("bed-across", input))).toMatch(/short by 9/);
    expect(run("bed-across", { ...input, recesses: { left: 90, right: 90 } }).results).toMatchObject({ room: 1951, fits: true });
  });
  it("solar feet: lines 474 and 1138, pair 1180, diagonal 1354, square within 4.06", () => {
    const input = { centre: 806, panel: { width: 664, length: 1176 }, play: 4 };
    expect(run("solar-feet", input).results).toMatchObject({ lines: [474, 1138], pair: 1180, diagonal: 1354, tolerance: 4.06 });
    expect(worst(run("solar-feet", { ...input, diagonals: [1352, 1356] }))).toBe("ok");
    expect(worst(run("solar-feet", { ...input, diagonals: [1351, 1356] }))).toBe("stop");
    // A rib of 50 at 1500 under a foot of 80 at 1510: (80 + 50) ÷ 2 − 10 = 55 rearwards.
    expect(said(run("solar-feet", { ...input, from: 1510, ribs: [{ at: 1500, width: 50 }] }))).toMatch(/55 rearwards/);
  });
  it("cable: 4.972 m, 7.98 mm², 10 from stock", () => {
    const input = { along: 2400, across: 620, drop: 1500, amps: 11, volts: 12, stock: [4, 6, 10] };
    const o = run("cable", input);
    expect(o.results).toEqual({ metres: 4.972, leastMm2: 7.98, fuseAmps: 15, carriesAmps: 40, mm2: 10 });
    expect(o.parts).toEqual([{ name: "Cable 10 mm²", quantity: 10, unit: "m" }]);
    expect(worst(run("cable", { ...input, stock: [4, 6] }))).toBe("stop");
    // 22 A over 1.8 m (SV-n5): the drop asks for 4.25, 6 carry 28.8 A, less than the fuse of 30: 10 mm².
    const charger = { along: 1800, across: 0, drop: 0, slack: 0, amps: 22, volts: 12, dropShare: 0.03, stock: [4, 6, 10] };
    expect(run("cable", charger).results).toMatchObject({ fuseAmps: 30, mm2: 10, carriesAmps: 40 });
    expect(said(run("cable", charger))).toMatch(/by the drop 4 mm² would do, but they carry 22.4 A/);
    // Of 4 and 6 none may carry that fuse.
    expect(worst(run("cable", { ...charger, stock: [4, 6] }))).toBe("stop");
  });
  it("screws 27.3 to 34.3: 30; collar 78 loses 22.5, 48 shows 7.5, and an open layer gives no answer", () => {
    const o = run("flange-screw", { stack: [3.5, 11, 0.8], ring: 21, stock: [25, 30, 35] });
    expect(o.results).toEqual({ least: 27.3, most: 34.3, fits: [30] });
    expect(worst(run("flange-screw", { stack: [3.5, 11, 0.8], ring: 21, stock: [25, 35] }))).toBe("stop");
    const layers = [4, 29, 16, 6.5].map((t, i) => ({ name: `l${i}`, t }));
    expect(run("depths", { layers, collar: 78 }).results).toEqual({ throat: 55.5, cutOff: 22.5, rawEdge: 0 });
    expect(run("depths", { layers, collar: 48 }).results.rawEdge).toBe(7.5);
    expect(said(run("depths", { layers: [...layers.slice(0, 3), { name: "lining" }], collar: 78 }))).toBe("not yet: lining");
    expect(worst(run("depths", { layers, collar: 78, clamp: { from: 25, to: 50 } }))).toBe("stop");
    expect(refused("depths", { layers, collar: 78, clamp: { from: 50, to: 25 } })).toEqual(["clamp.to"]);
  });
  it("low places: a packer on the fourth side, 24.6 ml for the others, 57.5 for all", () => {
    const o = run("low-places", { land: 24, stations: [0.4, 1.7, 0.6, 3.6].map((gap) => ({ length: 380, gap })) });
    expect(o.results).toEqual({ ml: 24.6, allFilledMl: 57.5, packers: [{ station: 4, height: 3.6, length: 380 }] });
  });
  it("height: 55 to spare, 105 short; drain: raised 57.2, 1818.8 left", () => {
    expect(run("height", { van: 2745, bay: 3900 }).results).toEqual({ spare: 55, indoors: true });
    expect(said(run("height", { van: 2905, bay: 3900 }))).toMatch(/105 short: in the yard/);
    const drain = { trap: 48, run: 460, insideHeight: 1915, floorStack: 39 };
    expect(run("drain", drain).results).toEqual({ raise: 57.2, headRoom: 1818.8 });
    expect(said(run("drain", { ...drain, tallest: 1800 }))).toMatch(/11\.2 short of the tallest/);
  });
});

describe("what else the two stages ask", () => {
  it("four times after bonding, each by the clock", () => {
    const product = { moveAfterH: 4, mm24h: 3, minC: 5, handsOffH: 1, soakAfterH: 12 };
    const o = run("cure", { product, depth: 6, tempC: 13, bonded: "16:30" });
    // Ten degrees colder: twice as long. Hands off 2 h, moved 8 h, soaked 24 h, full (6 ÷ 3)²·2 = 8 days.
    expect(o.results).toEqual({
      fullDays: 8,
      moveAfterH: 8,
      handsOffH: 2,
      soakAfterH: 24,
      handsOffAt: "18:30",
      moveAt: "00:30, the day after",
      soakAt: "16:30, the day after",
      fullAt: "16:30, 8 days after",
    });
    expect(refused("cure", { product: { ...product, handsOffH: 5 }, depth: 6, tempC: 13 })).toEqual(["product.handsOffH"]);
    expect(refused("cure", { product: { ...product, soakAfterH: 3 }, depth: 6, tempC: 13 })).toEqual(["product.soakAfterH"]);
  });
  it("the roof before the side, urgent before the rest, and a shorter one where a longer does not fit", () => {
    const o = (name: string, minutes: number, side: string, urgent = false) => ({ name, minutes, side, urgent });
    const openings = [o("left", 160, "side"), o("rear", 100, "front or rear"), o("right", 60, "side", true), o("fan", 210, "roof")];
    expect(run("good-slot", { slot: 330, openings }).results).toEqual({ fits: ["fan", "rear"], waits: ["right", "left"], spare: 20 });
    expect(run("good-slot", { slot: 380, openings }).results.fits).toEqual(["fan", "rear", "right"]);
    expect(said(run("good-slot", { slot: 530, openings }))).toMatch(/all of them, 0 minutes to spare/);
    // On one side: what has no cover first, then the urgent, then by the days of chain that hang on it.
    const side = [
      { ...o("covered, urgent", 10, "side", true), covered: true },
      { ...o("two days", 10, "side"), chainDays: 2 },
      o("nothing hangs on it", 10, "side"),
      { ...o("five days", 10, "side"), chainDays: 5 },
      o("urgent", 10, "side", true),
    ];
    expect(run("good-slot", { slot: 50, openings: side }).results.fits).toEqual([
      "urgent",
      "five days",
      "two days",
      "nothing hangs on it",
      "covered, urgent",
    ]);
    expect(refused("good-slot", { slot: 100, openings: [{ name: "x", minutes: 5, side: "below" }] })).toEqual(["openings[0].side"]);
  });
  it("units side by side: what each lacks, where it fits, what it draws, when to order", () => {
    const input = {
      asked: ["rain hood", "thermostat"],
      cuttingDay: "2026-12-01",
      goodsInDays: 2,
      margin: 5,
      bays: [
        { name: "1", clear: 409 },
        { name: "2", clear: 431 },
      ],
      candidates: [
        { name: "small", price: 140, cut: 360, leadDays: 4, amps: 2.5, hoursADay: 4, has: ["Rain hood"] },
        { name: "large", price: 310, cut: 400, leadDays: 9, amps: 4, hoursADay: 4, has: ["rain hood", "thermostat"] },
        { name: "huge", price: 90, cut: 700, leadDays: 1, has: ["rain hood", "thermostat"] },
      ],
    };
    const { results, findings } = run("unit-choice", input);
    expect(results.candidates).toMatchObject([
      { name: "small", price: 140, missed: ["thermostat"], bays: ["1", "2"], whADay: 120, orderBy: "2026-11-25" },
      { name: "large", price: 310, missed: [], bays: ["2"], whADay: 192, orderBy: "2026-11-20" },
      { name: "huge", price: 90, missed: [], bays: [], whADay: 0, orderBy: "2026-11-28" },
    ]);
    expect(results.cheapestThatFits).toBe("large");
    expect(findings.find((f) => f.level === "stop")!.text).toMatch(/^huge: no bay/);
    expect(refused("unit-choice", { ...input, cuttingDay: "2026-02-30" })).toEqual(["cuttingDay"]);
  });
  it("1.4 m² without a template is 35 minutes of scribing", () => {
    expect(run("template-gap", { uncovered: [{ name: "rear", m2: 1.4 }] }).results).toEqual({ m2: 1.4, minutes: 35 });
    expect(run("template-gap", { uncovered: [] }).results.minutes).toBe(0);
  });
});

it("every calculator refuses an empty input by its fields, and what it does not know", () => {
  for (const c of CALCULATORS) {
    expect(refused(c.name, {}).length, c.name).toBeGreaterThan(0);
    expect(refused(c.name, { colour: "red" }), c.name).toContain("colour");
  }
});

describe("exactly at a limit", () => {
  it.each([
    ["dew-point", { airC: 20, humidity: 50, skinC: 15, minC: 15 }],
    ["dew-point", { airC: 20, humidity: 66, skinC: 16.45 }],
    ["recoat", { earliestH: 2, latestH: 36, tempC: 10, minC: 10 }],
    ["edge-clock", { ground: "10:00", perimeter: 1600, firstH: 1, tempC: 10, minC: 10 }],
    ["disturbed-hold", { holdH: 10, refC: 23, minC: 5, stretches: [{ hours: 2, tempC: 5 }, { tempC: 20 }] }],
  ])("%s passes with a warning that there is no margin: %j", (name, input) => {
    const o = run(name, input);
    expect(worst(o)).toBe("warn");
    expect(said(o)).toMatch(/exactly at the limit of .*no margin/);
  });
  it.each([
    ["recoat", { earliestH: 2, latestH: 36, tempC: 10.5, minC: 10 }],
    ["edge-clock", { ground: "10:00", perimeter: 1600, firstH: 1, tempC: 10.5, minC: 10 }],
  ])("%s says nothing of it a little above", (name, input) => expect(said(run(name, input))).not.toMatch(/exactly at the limit/));
});

describe("rust", () => {
  it("90 × 60: primer 130 × 100, 1.30 dm²; by the area alone as a square", () => {
    const of = (rust: object[]) => run("strip-list", { holes: [], items: [], rust }).results.primerDm2;
    expect(of([{ w: 90, h: 60, grade: 1 }])).toBe(1.3);
    expect(of([{ areaDm2: 1, grade: 2 }])).toBe(1.96);
    expect(of([{ w: 90, h: 60, grade: 3 }])).toBe(0);
    expect(refused("strip-list", { holes: [], items: [], rust: [{ w: 90, grade: 1 }] })).toEqual(["rust[0].areaDm2"]);
  });
});
