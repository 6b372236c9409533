// Claims, makers' times, work above reach, and faults that lay at a part.

import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import { chosenCut } from "../openings/chosen-unit";
import { readRecord } from "../records/kinds/kinds";
import { paperWords } from "../records/papers";
import { sheetPrefill } from "../sheets/sheets";
import { highWords } from "../starts/above-reach";
import type { PartRow, SheetRow } from "../state/model";
import { entry } from "../testing/entry";
import { job, NOW, testBuild, testShop } from "../testing/shop";
import { claimOf } from "./claims";
import { makerWords, ourTime } from "./maker-times";
import { saySupplier, supplierRecord } from "./supplier-record";

const SWIVEL = testBuild("a", { ...testBuild("a").options, swivels: 1 });
const PATTERN = { part: { a: 300, b: 280, hole: 11 }, van: { a: 303, b: 280, bolt: 10 } };

function sheet(
  calculator: SheetRow["calculator"],
  code: string,
  input: Record<string, unknown>,
  worst: SheetRow["worst"] = "stop",
): SheetRow {
  const base = { id: "s", buildId: "a", jobId: `a.${code}`, calculator, draft: {}, input, basis: {}, worst, massKg: null };
  return { ...base, savedBy: "u", savedAt: NOW, second: null, secondBy: null, lockedAt: null, version: 1 };
}

const HOUSE = { workshop: { figures: {} } } as never;

describe("a part that does not fit", () => {
  const build = () => structuredClone(SWIVEL);
  it("is claimed by what its kept sheet says, of the parts that are here", () => {
    const b = build();
    const claim = claimOf(b, sheet("bolt-pattern", "ST-08", PATTERN))!;
    expect(claim.note).toMatch(/\d/);
    expect(claim.parts.length).toBe(b.jobs.find((j) => j.code === "ST-08")!.parts.length);
    for (const p of b.jobs.find((j) => j.code === "ST-08")!.parts) p.state = "ordered";
    expect(claimOf(b, sheet("bolt-pattern", "ST-08", PATTERN))).toBeUndefined();
  });
  it("is no claim where the sheet is well, of another kind, or no longer read", () => {
    expect(claimOf(build(), sheet("bolt-pattern", "ST-08", PATTERN, "ok"))).toBeUndefined();
    expect(claimOf(build(), sheet("opening", "ST-08", PATTERN))).toBeUndefined();
    expect(claimOf(build(), sheet("bolt-pattern", "ST-08", {}))).toBeUndefined();
    expect(claimOf(build(), sheet("bolt-pattern", "XX-99", PATTERN))).toBeUndefined();
  });
});

describe("the maker's time beside ours", () => {
  const swivel = SWIVEL.jobs.find((j) => j.code === "ST-08")!;
  const times = (...minutes: number[]) => ({
    workshop: testShop().workshop,
    times: minutes.map((m, i) => ({ ...shipped("ST-08"), minutes: m, fitters: ["ines"], buildId: `b${i}`, vanId: "x" })),
  });
  it("stands there until three builds have taught ours", () => {
    expect(swivel.makerMinutes).toBe(90);
    expect(makerWords(times(), swivel)).toMatch(/^The maker says 1 h 30, we plan .*; our own times count from 3 builds on$/);
    expect(makerWords(times(100, 130), swivel)).toMatch(/from 3 builds on/);
    expect(makerWords(times(200, 100, 130), swivel)).toBe("Ours: 2 h 10 in the middle of 3 builds; the maker says 1 h 30");
  });
  it("is no word where no maker says anything, or the job is over", () => {
    expect(makerWords(times(), { ...swivel, makerMinutes: undefined })).toBeUndefined();
    expect(makerWords(times(), { ...swivel, state: "done" })).toBeUndefined();
  });
  it("counts copies of a job as the job, the middle of an even number between the two", () => {
    const shop = { times: [90, 110].map((minutes) => ({ ...shipped("OP-06"), minutes, fitters: ["ines"], buildId: "b", vanId: "x" })) };
    expect(ourTime(shop, "OP-06b")).toEqual({ builds: 2, median: 100 });
    expect(ourTime(shop, "OP-07")).toBeUndefined();
  });
  it("is told on the card", () => {
    const shop = testShop([structuredClone(SWIVEL)]);
    expect(paperWords(shop, shop.builds[0], job(shop, "ST-08")).some((w) => /The maker says/.test(w))).toBe(true);
  });
});

describe("work above reach", () => {
  const van = { heightMm: 2530 };
  const roof = { zones: ["roof"], place: "van" as const, state: "todo" as const, tools: ["roof platform"] };
  const one = [{ skill: "body", level: 2, people: 1, ticket: null }];
  it("says what stands there, and a second person where the plan has one alone", () => {
    expect(highWords(HOUSE, van, { ...roof, crew: one })[0]).toMatch(
      /Above reach \(2530 mm\): its platform is booked; a second person by name/,
    );
    expect(highWords(HOUSE, van, { ...roof, tools: [], crew: [...one, ...one] })[0]).toMatch(/platform or ladder; on the roof/);
  });
  it("is nothing for a low van, other zones, the bench, or what is done", () => {
    expect(highWords(HOUSE, { heightMm: 2000 }, { ...roof, crew: one })).toEqual([]);
    expect(highWords(HOUSE, van, { ...roof, zones: ["left"], crew: one })).toEqual([]);
    expect(highWords(HOUSE, van, { ...roof, place: "bench", crew: one })).toEqual([]);
    expect(highWords(HOUSE, van, { ...roof, state: "done", crew: one })).toEqual([]);
    expect(highWords(HOUSE, undefined, { ...roof, crew: one })).toEqual([]);
  });
});

describe("a fault that lay at a part", () => {
  const part = { id: "p1", supplierId: "s", state: "checked", firstPromisedAt: null, arrivedAt: NOW } as PartRow;
  const card = {
    causes: [{ cause: "wrong base", test: "number", result: "yes" }],
    calls: [],
    outcome: "another number",
    lay: "part",
    partId: "p1",
  };
  it("stands in its supplier's record once it is settled", () => {
    const open = entry("fault", "Base", card);
    const settled = entry("fault", "Base", card, { closedAt: NOW });
    expect(supplierRecord([part], "s", [open]).faults).toBe(0);
    expect(supplierRecord([part], "s", [settled]).faults).toBe(1);
    expect(supplierRecord([part], "other", [settled]).faults).toBe(0);
    expect(saySupplier(supplierRecord([part], "s", [settled]))).toMatch(/1 fault lay at a part of theirs/);
  });
  it("is read with whose it was, and nothing else", () => {
    expect(readRecord("fault", card).faults).toEqual([]);
    expect(() => readRecord("fault", { ...card, lay: "moon" })).toThrow(/lay/);
  });
});

describe("a unit that was chosen", () => {
  const candidates = [
    { name: "Fan with hood", price: 210, cut: 360, leadDays: 5, has: [] },
    { name: "Plain fan", price: 150, cut: 400, leadDays: 3, has: [] },
  ];
  const side = { asked: [], cuttingDay: "2027-03-10", margin: 5, bays: [{ name: "1", clear: 420 }], candidates };
  const build = (...titles: string[]) => {
    const b = structuredClone(SWIVEL);
    b.sheets = [sheet("unit-choice", "OP-02", side, "ok")];
    b.records = titles.map((title) => entry("decision", title, { who: "Rosa" }));
    return b;
  };
  it("is planned with on the roof, the last choice counting, until it is here and measured", () => {
    expect(chosenCut(build(), "fan")).toBeUndefined();
    expect(chosenCut(build("Unit: Fan with hood"), "fan")).toEqual({ w: 360, h: 360, r: 30 });
    expect(chosenCut(build("Unit: Fan with hood", "Unit: Plain fan"), "fan")).toMatchObject({ w: 400 });
    expect(chosenCut(build("Unit: Fan with hood"), "skylight")).toBeUndefined();
    expect(chosenCut(build("Unit: Another fan"), "fan")).toBeUndefined();
    const shop = testShop([build("Unit: Fan with hood")]);
    const b = shop.builds[0];
    const fan = () => (sheetPrefill(shop, b, "roof-plan", "a.OP-01")!.draft.items as { name: string }[]).find((i) => i.name === "fan");
    expect(fan()).toMatchObject({ "cut.length": "360", "overall.length": "400" });
    job(shop, "OP-04").parts[0].cutOut = { w: 380, h: 390, r: 20 };
    expect(fan()).toMatchObject({ "cut.length": "380" });
  });
});
