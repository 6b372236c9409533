import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { findCalculator } from "../setout/calculators";
import { evaluate, faultOf } from "./formula";
import { type Entry, library, libraryFile, readLibrary, readLibraryFile } from "./library";
import { completeOptions, DEFAULT_OPTIONS } from "./options";
import { STAGES } from "./schema";
import strip from "./stages/strip.json";
import { holds } from "./when";

/** The codes of the trade's list: every one has to be in the library. */
const ROWS = {
  ST: 8,
  OP: 13,
  IN: 10,
  FR: 8,
  PA: 10,
  FU: 12,
  SV: 14,
};

describe("the library", () => {
  it("names no sheet and no paper that there isn't", () => {
    const papers = /tap map|survey sheet|state sheet|fixing list/i;
    for (const j of library) {
      for (const name of j.setOut ?? []) expect(name === "check-in" || findCalculator(name), `${j.code}: ${name}`).toBeTruthy();
      expect(JSON.stringify(j), j.code).not.toMatch(papers);
    }
  });
  it("holds every job of the trade's list", () => {
    const codes = new Set(library.map((j) => j.code));
    for (const [stage, n] of Object.entries(ROWS))
      for (let i = 1; i <= n; i++) expect(codes, `${stage}-${i}`).toContain(`${stage}-${String(i).padStart(2, "0")}`);
    expect(new Set(library.map((j) => j.stage))).toEqual(new Set(STAGES));
  });
  it("gives each job five steps at least, cautions, and a reason for every precedence", () => {
    for (const j of library) {
      expect(j.steps.length, j.code).toBeGreaterThanOrEqual(5);
      expect(j.cautions.length, j.code).toBeGreaterThan(0);
      for (const a of j.after) expect(a.reason.length, `${j.code} after ${a.job}`).toBeGreaterThanOrEqual(10);
    }
  });
  it("asks before every step that can't be undone", () => {
    for (const j of library) if (j.irreversible) expect(j.ask?.length, j.code).toBeGreaterThan(0);
  });
  it("leaves gas, mains and seats to ticket holders and says so", () => {
    for (const code of ["SV-03", "SV-06", "SV-09", "SV-10", "ST-08"]) {
      const j = library.find((e) => e.code === code)!;
      expect(
        j.crew.some((c) => c.ticket),
        code,
      ).toBe(true);
      expect(j.cautions.join(" "), code).toMatch(/local rules|Local rules/);
    }
  });
  it("has fault cards whose causes each name the test that settles them", () => {
    const cards = library.flatMap((j) => j.faults ?? []);
    expect(cards.length).toBeGreaterThan(15);
    for (const f of cards) for (const c of f.causes) expect(c.test.length, f.sign).toBeGreaterThan(5);
  });
});

describe("reading a library", () => {
  const broken = (change: (jobs: Record<string, unknown>[]) => void) => {
    const file = structuredClone(libraryFile(library)) as unknown as { jobs: Record<string, unknown>[] };
    change(file.jobs);
    return () => readLibraryFile(file);
  };
  it("names a wrong reference and a wrong field", () => {
    const file = structuredClone(strip) as { jobs: { after: unknown[] }[] };
    file.jobs[1].after = [{ job: "XX-99", reason: "none" }];
    expect(() => readLibrary([file])).toThrow(/ST-02\.after\[0\]: names XX-99, which is no job/);
    expect(() => readLibrary([{ stage: "strip", jobs: [{ code: "ST-01" }] }])).toThrow(InputError);
  });
  it("names the place of a formula, a condition and an hour that can't be", () => {
    expect(broken((j) => (j[3].scale = "0.3 + gulls"))).toThrow(/jobs\[3\] \(ST-04\)\.scale: gulls is no quantity we know/);
    expect(broken((j) => (j[0].when = { bed: ["hammock"] }))).toThrow(/jobs\[0\] \(ST-01\)\.when: bed is never hammock/);
    expect(broken((j) => (j[0].minutes = { best: 9, likely: 5, worst: 7 }))).toThrow(/minutes: best, likely, worst do not rise/);
    expect(broken((j) => (j[1].code = "ST-01"))).toThrow(/stands twice/);
    expect(broken((j) => (j[2].colour = "red"))).toThrow(/jobs\[2\]\.colour: is not a known field/);
    expect(broken((j) => (j[2].code = "QQ-01"))).toThrow(/no stage has the letters QQ/);
  });
  it("exported and read again is the same", () => {
    expect(readLibraryFile(JSON.parse(JSON.stringify(libraryFile(library))))).toEqual(library as Entry[]);
  });
});

describe("formulas", () => {
  it("does the sums that kits need", () => {
    expect(evaluate("ceil(20.7 * 0.33 * 1.08 / 0.46)", {})).toBe(17);
    expect(evaluate("max(1, units) * 0.5", { units: 0 })).toBe(0.5);
    expect(evaluate("-(a - 2) / b", { a: 5, b: 2 })).toBe(-1.5);
    expect(evaluate(7, {})).toBe(7);
  });
  it("refuses all else in words", () => {
    expect(faultOf("a +", ["a"])).toMatch(/can't be read/);
    expect(faultOf("constructor", ["a"])).toMatch(/constructor is no quantity/);
    expect(faultOf("a.b", ["a"])).toMatch(/only/);
    expect(faultOf("'x'", [])).toMatch(/is no number/);
    expect(faultOf("sqrt(a)", ["a"])).toMatch(/only/);
    expect(faultOf("1 / 0", [])).toMatch(/no value/);
    expect(faultOf("toString(1)", [])).toMatch(/only/);
  });
});

describe("conditions", () => {
  const o = DEFAULT_OPTIONS;
  it("holds by presence, absence and list; several by any", () => {
    expect(holds({ fan: true, gas: false, solar: ["2"] }, o)).toBe(true);
    expect(holds({ solar: false }, o)).toBe(false);
    expect(holds({ bed: ["across", "lengthways"] }, o)).toBe(true);
    expect(holds([{ gas: true }, { heater: ["diesel"] }], o)).toBe(true);
    expect(holds(undefined, o)).toBe(true);
  });
  it("reads choices of an earlier version as today's", () => {
    const o = completeOptions({
      windows: 1,
      solar: true,
      swivels: true,
      gas: true,
      heater: false,
      firstFix: "insulation-first",
      fan: false,
    });
    expect(o).toMatchObject({ windows: 1, solar: 2, swivels: 2, gas: "locker", heater: "none", firstFix: "warm-side", fan: false });
    expect(o.bed).toBe(DEFAULT_OPTIONS.bed);
  });
});
