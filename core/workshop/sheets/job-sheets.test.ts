// The set-out of a job: which sheets are its own, what is missing, and who may measure a second time.

import { describe, expect, it } from "vitest";
import cases from "../../setout/testing/cases.json";
import type { SheetRow } from "../state/model";
import { buildsOf } from "../state/seen-by";
import { testBuild, testShop } from "../testing/shop";
import { jobSheets, outcomeOf, secondFault, sheetsMissing } from "./job-sheets";

/** An input that a calculator takes. */
const inputOf = (calculator: string): unknown => cases.find((c) => c.calculator === calculator)!.input;
const sheet = (calculator: string, jobId: string | null, input: unknown = inputOf(calculator)): SheetRow =>
  ({ id: `${calculator} ${jobId}`, buildId: "a", jobId, calculator, input, savedBy: "u-teo", lockedAt: null }) as unknown as SheetRow;
const job = { id: "a.OP-06", setOut: ["opening", "sealant"] };

describe("the sheets of a job", () => {
  it("are its own and, where it has none, those of the whole van that it asks for, in the order it asks", () => {
    const sheets = [
      sheet("sealant", null),
      sheet("opening", null),
      sheet("opening", "a.OP-06"),
      sheet("cure", "a.OP-06"),
      sheet("roof-plan", null),
      sheet("sealant", "a.OP-07"),
    ];
    expect(jobSheets({ sheets }, job).map((s) => s.id)).toEqual(["opening a.OP-06", "sealant null", "cure a.OP-06"]);
    expect(sheetsMissing({ sheets }, job)).toEqual([]);
    expect(sheetsMissing({ sheets: [] }, { ...job, setOut: ["opening", "no such sheet", "sealant"] })).toEqual(["opening", "sealant"]);
  });
  it("are worked out once as long as they stay as they are", () => {
    const s = sheet("sealant", null);
    expect(outcomeOf(s)).toBe(outcomeOf(s));
    expect(outcomeOf(sheet("sealant", null))).toEqual(outcomeOf(s));
    expect(() => outcomeOf(sheet("sealant", null, {}))).toThrow();
  });
});

describe("the second measuring", () => {
  it("is refused to whoever measured first, and not to anybody else; what is only signed may be signed by them", () => {
    const s = sheet("opening", "a.OP-06");
    expect(secondFault(s, "u-teo")).toMatch(/somebody else measures/);
    expect(secondFault(s, "u-rosa")).toBeUndefined();
    const signed = sheet("cure", "a.OP-06");
    expect(secondFault(signed, "u-teo")).toBeUndefined();
  });
});

describe("the vans of a fitter", () => {
  const shop = testShop([testBuild("a"), testBuild("b"), testBuild("c")]);
  const planned = (id: string, fitters: string[], helper?: string) => ({
    id,
    fitters,
    ...(helper ? { helpers: [{ fitter: helper, work: [] }] } : {}),
  });
  const plan = { jobs: [planned("a.ST-01", ["teo"], "nils"), planned("b.ST-01", ["rosa"])] } as never;
  it("are those they are planned on, as a helper too, and those no plan knows", () => {
    expect(buildsOf(shop, plan, "teo").map((b) => b.id)).toEqual(["a", "c"]);
    expect(buildsOf(shop, plan, "nils").map((b) => b.id)).toEqual(["a", "c"]);
    expect(buildsOf(shop, plan, "rosa").map((b) => b.id)).toEqual(["b", "c"]);
    expect(buildsOf(shop, plan, "").map((b) => b.id)).toEqual(["c"]);
  });
  it("are also those they have begun, and all of them while nothing is published", () => {
    shop.builds[1].jobs[0].fitters = ["teo"];
    expect(buildsOf(shop, plan, "teo").map((b) => b.id)).toEqual(["a", "b", "c"]);
    expect(buildsOf(shop, undefined, "nils")).toHaveLength(3);
  });
});
