// The layout before the saw, square before the saw, tails before the lining, points that leak, the four times of a bond.

import { describe, expect, it } from "vitest";
import { calculator, findCalculator } from "../../setout/calculators";
import { shippedPoints } from "../../van/leaks";
import { vans } from "../../van/model";
import { stripClosing } from "../bare-body/strip-close";
import { leftMinutes } from "../builds/left";
import { cableEndsAsked, cableEndsBefore, cableEndsOpen, cableEndWords } from "../records/cable-ends";
import { ghostShare } from "../sheets/known";
import { sheetPrefill } from "../sheets/sheets";
import { behindBulkhead, windowFacts } from "../sheets/window-facts";
import { obstacles } from "../starts/ready";
import type { SheetRow, Shop } from "../state/model";
import { entry } from "../testing/entry";
import { job, NOW, testBuild, testShop } from "../testing/shop";
import { bondClocks, runningClocks } from "../today/clocks";
import { askedFor } from "./holes";
import { layoutBefore, linesOn, openingStretch } from "./layout";
import { squareBefore } from "./square";

const TWO = testBuild("a", { ...testBuild("a").options, windows: 2 });
const shopWith = (...records: ReturnType<typeof entry>[]): Shop => {
  const shop = testShop([{ ...structuredClone(TWO), records }]);
  return shop;
};
function keep(shop: Shop, calculator: string, code: string, input: Record<string, unknown>, more: Partial<SheetRow> = {}): void {
  findCalculator(calculator)!.run(input);
  const row = { id: `${calculator}-${code}`, buildId: "a", jobId: `a.${code}`, calculator, draft: {}, input, basis: {}, worst: "ok" };
  const rest = { massKg: null, savedBy: "u", savedAt: NOW - 60, second: null, secondBy: null, lockedAt: null, version: 1 };
  shop.builds[0].sheets.push({ ...row, ...rest, ...more } as SheetRow);
}
/** A window of 900 from 1000 to 1900 behind the bulkhead. */
const OPENING = {
  field: { left: 900, right: 2000, bottom: 900, top: 1500 },
  cut: { w: 900, h: 450, r: 60 },
  minLand: 25,
  place: { along: { fromLeft: 100 }, up: "centre" },
  skin: "single",
};

describe("the layout is frozen before the saw", () => {
  const open = { side: "left", fromMm: 2150, toMm: 3000, who: "Rosa", by: "2027-03-10" };
  const asked = (data: object, setOut = true) => {
    const shop = shopWith(entry("layout", "Bed lengthways or across", data));
    if (setOut) keep(shop, "opening", "OP-06a", OPENING);
    return layoutBefore(shop.builds[0], job(shop, "OP-06a"));
  };
  it.each([
    [2150, ["Bed lengthways or across is open, 250 mm from it: Rosa decides by 2027-03-10"]],
    [2200, ["Bed lengthways or across is open, 300 mm from it: Rosa decides by 2027-03-10"]],
    [2201, []],
    [1500, ["Bed lengthways or across is open, right where it is cut: Rosa decides by 2027-03-10"]],
  ])("a question from %i on, the window ends at 1900", (fromMm, words) => {
    expect(asked({ ...open, fromMm })).toEqual(words);
  });
  it("locks a side where either has no place, lets other sides and decided ones go", () => {
    expect(asked(open, false)).toHaveLength(1);
    expect(asked({ ...open, fromMm: undefined, toMm: undefined, by: undefined })).toEqual([
      "Bed lengthways or across is open: Rosa decides",
    ]);
    expect(asked({ ...open, side: "right" })).toEqual([]);
    expect(asked({ ...open, side: "both" })).toHaveLength(1);
    expect(asked({ ...open, decided: "across" })).toEqual([]);
  });
  it("stops the start of the cut, and only of cuts", () => {
    const shop = shopWith(entry("layout", "Bed", open));
    keep(shop, "opening", "OP-06a", { ...OPENING, measuredDiagonals: [1006, 1006] });
    expect(obstacles(shop, job(shop, "OP-06a"), NOW).some((o) => /Bed is open/.test(o.text))).toBe(true);
    expect(layoutBefore(shop.builds[0], job(shop, "IN-07"))).toEqual([]);
  });
  it("knows a roof unit's place from the roof plan, and nothing from a broken sheet", () => {
    const shop = shopWith();
    const b = shop.builds[0];
    expect(openingStretch(b, job(shop, "OP-04"))).toBeUndefined();
    keep(shop, "roof-plan", "OP-01", {
      roof: { length: 3000, width: 1500, crown: 20 },
      ribs: [{ at: 1000, width: 60 }],
      items: [{ name: "fan", cut: { length: 400, width: 400 }, overall: { length: 440, width: 440 }, wish: { at: 500 } }],
      margins: { rib: 5, item: 40, edge: 60 },
    });
    const s = openingStretch(b, job(shop, "OP-04"))!;
    expect(s.to - s.from).toBe(440);
    b.sheets[0].input = {};
    expect(openingStretch(b, job(shop, "OP-04"))).toBeUndefined();
  });
});

describe("square by numbers", () => {
  it("a cut whose sheet is kept waits for its diagonals, or for the second measuring that has them", () => {
    const shop = shopWith();
    const b = shop.builds[0];
    expect(squareBefore(b, job(shop, "OP-06a"))).toEqual([]);
    keep(shop, "opening", "OP-06a", OPENING);
    expect(squareBefore(b, job(shop, "OP-06a"))[0]).toMatch(/diagonals of its outline are not read/);
    expect(squareBefore(b, job(shop, "OP-06b"))).toEqual([]);
    b.sheets[0].lockedAt = NOW;
    expect(squareBefore(b, job(shop, "OP-06a"))).toEqual([]);
    b.sheets[0] = { ...b.sheets[0], lockedAt: null, input: { ...OPENING, measuredDiagonals: [1006, 1007] } };
    expect(squareBefore(b, job(shop, "OP-06a"))).toEqual([]);
  });
  it.each([
    [[900, 902, 450, 452], "ok", /agree within 2/],
    [[900, 902.5, 450, 450], "stop", /top and bottom differ by 2.5/],
    [[900, 900, 447, 450], "stop", /left and right differ by 3.*trapezium/],
  ] as const)("sides %j: %s", (measuredSides, level, text) => {
    const o = findCalculator("opening")!.run({ ...OPENING, measuredDiagonals: [1006, 1006], measuredSides });
    const f = o.findings.filter((x) => x.about === "measuredSides");
    expect(f).toHaveLength(1);
    expect([f[0].level, text.test(f[0].text)]).toEqual([level, true]);
  });
});

describe("in line with what comes later", () => {
  const drover = vans.find((v) => v.id === "drover-l3h2")!;
  it("starts from the window's own sheet, the one opposite, the lines and the dents of its side", () => {
    const dentX = drover.geometry.cabMm + 1110;
    const shop = shopWith(
      entry("line", "Front of the wet room", { side: "both", atMm: 1960 }),
      entry("line", "Fridge", { side: "right", atMm: 700 }),
      entry("mark", "Dent", { what: "damage", view: "left", x: dentX, y: 300, bracing: true }),
      entry("mark", "Scratch", { what: "damage", view: "left", x: dentX, y: 300 }),
    );
    keep(shop, "opening", "OP-06a", OPENING);
    keep(shop, "opening", "OP-06b", { ...OPENING, place: { along: { fromLeft: 104 }, up: "centre" } });
    const p = sheetPrefill(shop, shop.builds[0], "in-line", "a.OP-06a")!;
    expect(p.draft).toMatchObject({ "field.from": "900", "field.to": "2000", cut: "900", wish: "1000", "opposite.from": "1004" });
    expect(p.draft.walls).toEqual([{ name: "Front of the wet room", at: "1960" }]);
    expect(p.draft.dents).toEqual([{ at: "1110" }]);
    expect(linesOn(shop.builds[0], "right").map((l) => l.name)).toEqual(["Front of the wet room", "Fridge"]);
  });
  it("starts from the van's field before anything is set out, and is none without a window", () => {
    const shop = shopWith();
    const p = windowFacts(shop.builds[0], undefined, drover)!;
    const field = drover.geometry.windowFields.find((f) => f.side === "left")!;
    expect([p.from, p.opposite]).toEqual([field.fromMm, undefined]);
    const without = testBuild("b", { ...testBuild("b").options, windows: 0 });
    expect(windowFacts(without, undefined, drover)).toBeUndefined();
  });
  it("reads a mark's place from either side of the van", () => {
    const { cabMm } = drover.geometry;
    expect(behindBulkhead(drover, "left", cabMm + 500)).toBe(500);
    expect(behindBulkhead(drover, "right", drover.lengthMm - cabMm - 500)).toBe(500);
  });
});

describe("lettering", () => {
  it("starts with the house's own chance that it needs polish", () => {
    expect(ghostShare({ ghosts: [] })).toBeUndefined();
    const ghosts = [
      { buildId: "x", ghost: "clear" as const },
      { buildId: "y", ghost: "none" as const },
      { buildId: "z", ghost: "faint" as const },
    ];
    expect(ghostShare({ ghosts })).toBe(0.67);
    const start = calculator("lettering").prefill!({ known: { ghostShare: () => 0.67 } } as never)!;
    expect(start.draft).toEqual({ share: "0.67", ghost: "not known" });
  });
});

describe("tails", () => {
  const hole = entry("penetration", "Roof fan", { side: "roof", place: "bay 1", by: "us", state: "cut", no: 3 });
  const tail = { hole: 3, junctionMm: 1450, label: "F1", capped: true };
  it("are asked for each unit that needs a cable", () => {
    const window = entry("penetration", "Window", { side: "left", place: "", by: "us", state: "cut", no: 4 });
    const small = entry("penetration", "Small holes: inlets, vents", { side: "left", place: "", by: "us", state: "cut", no: 5 });
    expect(cableEndsAsked(shopWith(hole, window, small).builds[0])).toEqual([{ hole: 3, title: "Roof fan" }]);
    expect(cableEndsAsked(shopWith(hole, entry("tail", "Roof fan", tail)).builds[0])).toEqual([]);
  });
  it("insulation and lining of their side wait until their way is kept free", () => {
    const of = (data: object, code: string) => {
      const shop = shopWith(hole, entry("tail", "Roof fan", data));
      return cableEndsBefore(shop.builds[0], job(shop, code));
    };
    expect(of(tail, "IN-07")).toEqual(["the tail of Roof fan, hole 3, has no way kept free: 1750 mm"]);
    expect(of({ ...tail, routed: true }, "IN-07")).toEqual([]);
    expect(of(tail, "IN-06")).toEqual([]);
    expect(of(tail, "FU-02")).toEqual([]);
  });
  it("stay on the list until they are connected", () => {
    const shop = shopWith(hole, entry("tail", "Roof fan", { ...tail, trigger: "the board is on the wall" }));
    expect(cableEndsOpen(shop.builds[0].records)).toEqual(["Roof fan, hole 3, connected when the board is on the wall"]);
    expect(cableEndWords(shop.builds[0], job(shop, "SV-05"))).toHaveLength(1);
    expect(cableEndWords(shop.builds[0], job(shop, "IN-07"))).toEqual([]);
    expect(cableEndsOpen([entry("tail", "Roof fan", { ...tail, connected: true })])).toEqual([]);
  });
});

describe("points that leak", () => {
  it("are listed for each type that ships, and asked for until they are in the list of holes", () => {
    for (const v of vans) expect(shippedPoints(v.id).length, v.id).toBeGreaterThan(1);
    expect(shippedPoints("own-type")).toEqual([]);
    const b = shopWith().builds[0];
    const listed = askedFor(b, []).filter((a) => a.jobId === null);
    expect(listed.map((a) => a.title)).toEqual(shippedPoints("drover-l3h2").map((p) => p.title));
    expect(listed[0].note).toBe("on the list of its type");
    // One that has leaked is named once, with where.
    const { side, title } = shippedPoints("drover-l3h2")[0];
    const again = askedFor(b, [{ vanId: "drover-l3h2", side, title, place: "there", found: "Build 7" }]).filter((a) => a.title === title);
    expect(again.map((a) => a.note)).toEqual(["leaked on Build 7"]);
    b.records = [entry("penetration", title, { side, place: "", by: "before", state: "closed", no: 1 })];
    expect(askedFor(b, []).some((a) => a.title === title)).toBe(false);
  });
});

describe("the last question", () => {
  it("is an open line until somebody has asked the client", () => {
    const lines = (shop: Shop) => stripClosing(shop, shop.builds[0], undefined, NOW).map((l) => l.text);
    expect(lines(shopWith())).toContain("Somebody has not been asked: any more holes?");
    expect(lines(shopWith(entry("lastcall", "Rosa", { on: "2027-03-03", answer: "no more" }))).some((l) => /asked: any more/.test(l))).toBe(
      false,
    );
  });
});

describe("the times of a bond", () => {
  const cure = {
    product: { handsOffH: 1, moveAfterH: 24, soakAfterH: 48, mm24h: 3, minC: 5 },
    depth: 6,
    tempC: 23,
  };
  it("are run as clocks from its kept sheet, each once", () => {
    const shop = shopWith();
    const b = shop.builds[0];
    expect(bondClocks(b, "a.OP-06a")).toEqual([]);
    keep(shop, "cure", "OP-06a", cure);
    expect(bondClocks(b, "a.OP-06a")).toEqual([
      { what: "hands off", minutes: 60 },
      { what: "may be moved", minutes: 1440 },
      { what: "may be soaked", minutes: 2880 },
      { what: "fully cured", minutes: 5760 },
    ]);
    b.records = [entry("clock", "Window", { what: "hands off", minutes: 60 }, { jobId: "a.OP-06a" })];
    expect(bondClocks(b, "a.OP-06a").map((c) => c.what)).not.toContain("hands off");
    b.sheets[0].input = {};
    expect(bondClocks(b, "a.OP-06a")).toEqual([]);
  });
  it("say when something may begin; their end is no alarm", () => {
    const b = shopWith(entry("clock", "Window", { what: "may be moved", minutes: 1440 }, { saidAt: NOW - 1500 })).builds[0];
    expect(runningClocks(b, NOW)[0]).toMatchObject({ tone: "ok", says: "since 1 h: the van may be moved and bonding may start" });
    expect(runningClocks(b, NOW - 1440)[0].says).toBe("23 h of 24 h left");
  });
});

describe("the first zones forecast the rest", () => {
  it("what a kept sheet of the zones says is what is left, less what was worked since", () => {
    const shop = shopWith();
    const j = job(shop, "ST-06");
    Object.assign(j, { state: "started", startedAt: NOW - 120, runningSince: NOW - 120, fitters: ["ines"] });
    const before = leftMinutes(shop, j, NOW);
    // 6 m² in 90 min, the next 6 m² in 60: 12.5 min a m², 8 m² left: 100 min.
    const zones = [
      { name: "a", m2: 6, minutes: 90 },
      { name: "b", m2: 6, minutes: 60 },
      { name: "c", m2: 8 },
    ];
    keep(shop, "zone-rate", "ST-06", { zones }, { savedAt: NOW - 30 });
    expect(leftMinutes(shop, j, NOW - 30)).toBe(100);
    expect(leftMinutes(shop, j, NOW)).toBe(70);
    // A sheet of before it was begun says nothing of it.
    shop.builds[0].sheets[0].savedAt = NOW - 500;
    expect(leftMinutes(shop, j, NOW)).toBe(before);
  });
});
